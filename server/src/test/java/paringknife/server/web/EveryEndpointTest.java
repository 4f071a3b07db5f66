package paringknife.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Every endpoint of the OpenAPI document is sent nulls, wrong types, empty and enormous values,
 * unknown and foreign identities (the idea of property-based API testing, as in Hatfield-Dodds and
 * Dygalo 2022). Only 2xx and 4xx are answers, and a refusal is our own problem document.
 */
class EveryEndpointTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final JsonMapper JSON = new JsonMapper();
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  /** Streams that do not end, and the upload protocol, which has tests of its own. */
  private static final List<String> LEFT_OUT = List.of("/api/events", "/api/tus");

  private static final List<String> IDS = List.of("1", "999999", "-1", "x", "9999999999999999999");

  private static final Set<String> SPOILT = new HashSet<>();

  private static JsonNode api;

  private static long revision = 1;

  private record Sent(String method, String path, String body) {}

  @Test
  void onlyAnswersAndRefusalsOfOurs() throws Exception {
    api = APP.get("/api/openapi");
    APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
    List<String> wrong = new ArrayList<>();
    int sent = 0;
    for (Sent request : requests()) {
      HttpResponse<String> answer = send(request);
      sent++;
      String fault = fault(answer);
      if (!fault.isEmpty()) {
        wrong.add(
            fault
                + ": "
                + request.method()
                + " "
                + request.path()
                + " "
                + request.body().substring(0, Math.min(160, request.body().length()))
                + " -> "
                + answer.statusCode()
                + " "
                + answer.body().substring(0, Math.min(200, answer.body().length())));
      }
    }
    assertThat(sent).as("requests sent").isGreaterThan(8_000);
    assertThat(wrong).isEmpty();
  }

  private static String fault(HttpResponse<String> answer) {
    int status = answer.statusCode();
    if (status >= 500 || status < 200 || status >= 300 && status < 400) {
      return "status";
    }
    if (status < 300) {
      return "";
    }
    String body = answer.body();
    JsonNode problem;
    try {
      problem = JSON.readTree(body);
    } catch (RuntimeException e) {
      return "no problem document";
    }
    if (problem.path("message").asString("").isBlank() || problem.size() != 1) {
      return "no problem document";
    }
    if (body.matches("(?s).*(java\\.|paringknife\\.|Exception|org\\.|/tmp/|/root/|Cannot ).*")) {
      return "tells too much";
    }
    return answer.headers().firstValue("Content-Security-Policy").isPresent() ? "" : "no headers";
  }

  /** Changes are of the clip as it is, so that they are not refused for that alone. */
  private static HttpResponse<String> send(Sent request) throws Exception {
    String body = request.body().replace("\"revision\":1,", "\"revision\":" + revision + ",");
    HttpResponse<String> answer =
        APP.send(
            HttpRequest.newBuilder()
                .uri(URI.create(APP.address() + request.path()))
                .header("Content-Type", "application/json")
                .method(
                    request.method(),
                    body.isEmpty()
                        ? HttpRequest.BodyPublishers.noBody()
                        : HttpRequest.BodyPublishers.ofString(body)));
    if (request.path().startsWith("/api/clips/1/") && answer.statusCode() < 300) {
      revision = APP.get("/api/clips/1").path("revision").asLong();
    }
    return answer;
  }

  private static List<Sent> requests() {
    List<Sent> requests = new ArrayList<>();
    for (Map.Entry<String, JsonNode> path : api.path("paths").properties()) {
      if (LEFT_OUT.stream().anyMatch(path.getKey()::startsWith)) {
        continue;
      }
      for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
        String method = operation.getKey().toUpperCase(java.util.Locale.ROOT);
        requests.addAll(requests(method, path.getKey(), operation.getValue()));
      }
    }
    // What is there is attacked before it is taken away.
    requests.sort(Comparator.comparing(r -> r.method().equals("DELETE")));
    return requests;
  }

  private static List<Sent> requests(String method, String path, JsonNode operation) {
    List<Sent> requests = new ArrayList<>();
    JsonNode schema =
        operation.path("requestBody").path("content").path("application/json").path("schema");
    for (String id : IDS) {
      String with = path.replaceAll("\\{[a-zA-Z]+}", id);
      for (String query : id.equals(IDS.get(0)) ? queries(operation) : List.of("")) {
        requests.add(new Sent(method, with + query, schema.isMissingNode() ? "" : "{}"));
      }
    }
    if (!schema.isMissingNode()) {
      String first = path.replaceAll("\\{[a-zA-Z]+}", "1");
      for (String body : bodies(schema)) {
        requests.add(new Sent(method, first, body));
      }
    }
    return requests;
  }

  /** Each parameter left out, empty, wrong and enormous, while the others are as they should be. */
  private static List<String> queries(JsonNode operation) {
    Map<String, String> right = new LinkedHashMap<>();
    for (JsonNode parameter : operation.path("parameters")) {
      if (parameter.path("in").asString("").equals("query")) {
        boolean text = parameter.path("schema").path("type").asString("").equals("string");
        right.put(parameter.path("name").asString(), text ? "ice" : "1");
      }
    }
    List<String> queries = new ArrayList<>(List.of("", query(right)));
    for (String name : right.keySet()) {
      for (String value :
          List.of(
              "", "x", "-1", "NaN", "1e309", "\u6f6e\0", "9".repeat(30), "ice ".repeat(1_000))) {
        Map<String, String> wrong = new LinkedHashMap<>(right);
        wrong.put(name, value);
        queries.add(query(wrong));
      }
    }
    return queries;
  }

  private static String query(Map<String, String> parameters) {
    StringBuilder query = new StringBuilder();
    parameters.forEach(
        (name, value) ->
            query
                .append(query.isEmpty() ? "?" : "&")
                .append(name)
                .append('=')
                .append(URLEncoder.encode(value, StandardCharsets.UTF_8)));
    return query.toString();
  }

  private static List<String> bodies(JsonNode schema) {
    List<String> bodies =
        new ArrayList<>(
            List.of(
                "",
                "null",
                "[]",
                "\"x\"",
                "7",
                "{\"type\":null}",
                "{\"a\":",
                "[" + "[".repeat(2_000),
                "\u0000",
                example(schema, 0).toString()));
    spoil(schema, part -> part, bodies);
    return bodies;
  }

  /**
   * Bodies of which one field is wrong or missing, however deep it lies. A type is spoilt where it
   * is met first; one that comes in kinds, as each of them.
   *
   * @param within lays the part where it belongs in a body that is as it should be otherwise
   */
  private static void spoil(JsonNode schema, UnaryOperator<JsonNode> within, List<String> bodies) {
    if (schema.has("$ref") && !SPOILT.add(schema.path("$ref").asString())) {
      return;
    }
    JsonNode type = resolved(schema);
    if (type.has("oneOf")) {
      type.path("oneOf").forEach(kind -> spoil(kind, within, bodies));
      return;
    }
    if (type.has("items")) {
      spoil(type.path("items"), part -> within.apply(NODES.arrayNode().add(part)), bodies);
    }
    if (!(example(type, 0) instanceof ObjectNode right)) {
      return;
    }
    bodies.add(within.apply(right).toString());
    for (Map.Entry<String, JsonNode> field : type.path("properties").properties()) {
      UnaryOperator<JsonNode> at = part -> within.apply(right.deepCopy().set(field.getKey(), part));
      for (JsonNode wrong : wrongValues()) {
        bodies.add(at.apply(wrong).toString());
      }
      bodies.add(within.apply(right.deepCopy().without(field.getKey())).toString());
      spoil(field.getValue(), at, bodies);
    }
  }

  private static List<JsonNode> wrongValues() {
    return List.of(
        NODES.nullNode(),
        NODES.stringNode(""),
        NODES.stringNode("\0"),
        NODES.stringNode("x".repeat(20_000)),
        NODES.numberNode(-1),
        NODES.numberNode(Long.MAX_VALUE),
        NODES.numberNode(1e300),
        NODES.booleanNode(true),
        NODES.arrayNode().addNull(),
        NODES.arrayNode().add(NODES.arrayNode()),
        NODES.objectNode());
  }

  private static JsonNode resolved(JsonNode schema) {
    String ref = schema.path("$ref").asString("");
    return ref.isEmpty()
        ? schema
        : api.path("components").path("schemas").path(ref.substring(ref.lastIndexOf('/') + 1));
  }

  private static JsonNode example(JsonNode unresolved, int depth) {
    JsonNode schema = resolved(unresolved);
    if (depth > 6) {
      return NODES.nullNode();
    }
    if (schema.path("enum").size() > 0) {
      return schema.path("enum").get(0);
    }
    if (schema.path("oneOf").size() > 0) {
      return example(schema.path("oneOf").get(0), depth + 1);
    }
    String type =
        schema.path("type").isArray()
            ? schema.path("type").get(0).asString()
            : schema.path("type").asString("object");
    return switch (type) {
      case "string" -> NODES.stringNode("ice");
      case "integer", "number" -> NODES.numberNode(1);
      case "boolean" -> NODES.booleanNode(false);
      case "array" -> NODES.arrayNode().add(example(schema.path("items"), depth + 1));
      default -> {
        ObjectNode object = NODES.objectNode();
        for (Map.Entry<String, JsonNode> field : schema.path("properties").properties()) {
          object.set(field.getKey(), example(field.getValue(), depth + 1));
        }
        yield object;
      }
    };
  }
}
