package paringknife.server;

import com.github.kagkarlsson.scheduler.ScheduledExecution;
import com.github.kagkarlsson.scheduler.ScheduledExecutionsFilter;
import com.github.kagkarlsson.scheduler.Scheduler;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Predicate;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.springframework.util.FileSystemUtils;
import paringknife.media.process.ChildProcess;
import paringknife.server.commands.RunningServer;
import paringknife.server.database.MariaDbProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The real application on a random port with a MariaDB of its own, holding one short episode. The
 * episode is taken in once in a run of the tests; every class begins with a copy of what came of
 * it, where it came about, since the database knows its files by their places.
 */
public final class RunningApplication implements BeforeAllCallback, AfterAllCallback {
  private static final JsonMapper JSON = new JsonMapper();
  private static final Path PLACE = temporary();

  private final HttpClient http = HttpClient.newHttpClient();
  private final Path home = PLACE.resolve("now");
  private final Map<String, Object> settings;
  private RunningServer server;

  public RunningApplication() {
    this(Map.of());
  }

  /** With settings of the application, by their names. */
  public RunningApplication(Map<String, Object> settings) {
    this.settings = settings;
  }

  @Override
  public void beforeAll(ExtensionContext context) throws Exception {
    Path takenIn = PLACE.resolve("taken-in");
    if (!Files.exists(takenIn)) {
      takeIn();
      Files.move(home, takenIn);
    }
    FileSystemUtils.copyRecursively(takenIn, home);
    start();
  }

  private void takeIn() throws Exception {
    makeEpisode(Files.createDirectories(home.resolve("media")));
    start();
    JsonNode made =
        post(
            "/api/episodes",
            "{\"show\":\"Test\",\"title\":\"Tones\",\"recording\":\"tones.mp4\",\"transcript\":\"tones.json\"}");
    awaitReady(made.path("id").asLong());
    server.close();
  }

  private static Path temporary() {
    try {
      Path made = Files.createTempDirectory("pk-server");
      Runtime.getRuntime()
          .addShutdownHook(new Thread(() -> FileSystemUtils.deleteRecursively(made.toFile())));
      return made;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Twelve seconds: a tone for every word, silence between, on a test card. */
  private static void makeEpisode(Path media) throws IOException {
    StringBuilder words =
        new StringBuilder("{\"language\":\"en\",\"speakers\":[\"Ada\"],\"words\":[");
    String[] said = {
      "Um,", "the", "ice", "came", "up.", "Nobody", "had", "told", "me.", "So", "get", "up."
    };
    StringBuilder loud = new StringBuilder("0");
    for (int i = 0; i < said.length; i++) {
      double start = 0.5 + i * 0.9;
      words
          .append(i == 0 ? "" : ",")
          .append("{\"text\":\"")
          .append(said[i])
          .append("\",\"start\":")
          .append(start)
          .append(",\"end\":")
          .append(start + 0.3)
          .append(",\"speaker\":0}");
      loud.append("+between(t,").append(start).append(',').append(start + 0.3).append(')');
    }
    Files.writeString(media.resolve("tones.json"), words.append("]}").toString());
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-t",
            "12",
            "-i",
            "testsrc2=s=640x360:r=25",
            "-f",
            "lavfi",
            "-t",
            "12",
            "-i",
            "aevalsrc='0.3*sin(2*PI*330*t)*(" + loud + ")':s=48000",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-c:a",
            "aac",
            media.resolve("tones.mp4").toString()),
        null,
        Duration.ofMinutes(1));
  }

  public void start() {
    server =
        RunningServer.start(
            home.resolve("data"),
            home.resolve("media"),
            0,
            () -> MariaDbProcess.start(home.resolve("data").resolve("mariadb"), 0),
            settings);
  }

  /** Stops application and database and starts both anew on the same data. */
  public void restart() {
    server.close();
    start();
  }

  @Override
  public void afterAll(ExtensionContext context) throws IOException {
    server.close();
    FileSystemUtils.deleteRecursively(home);
  }

  /** Waits until nobody works in the background and nothing waits for its turn. */
  public void awaitIdle() throws InterruptedException {
    Scheduler scheduler = part(Scheduler.class);
    while (!scheduler.getCurrentlyExecuting().isEmpty()
        || tasks().stream().anyMatch(RunningApplication::isDue)) {
      Thread.sleep(20);
    }
  }

  /** What is to be done in the background, also what somebody has taken in hand. */
  public List<ScheduledExecution<Object>> tasks() {
    return part(Scheduler.class).getScheduledExecutions(ScheduledExecutionsFilter.all());
  }

  private static boolean isDue(ScheduledExecution<Object> execution) {
    return execution.isPicked() || !execution.getExecutionTime().isAfter(Instant.now());
  }

  public <T> T part(Class<T> type) {
    return server.part(type);
  }

  public String address() {
    return server.address();
  }

  /** What runs, with its database. */
  public RunningServer server() {
    return server;
  }

  /** Makes a spec of small pictures, which are made quickly; its id. */
  public String smallSpec(String name, int width, int height) throws Exception {
    return smallSpec(name, width, height, encoding -> {});
  }

  /** The same, encoded otherwise. */
  public String smallSpec(String name, int width, int height, Consumer<ObjectNode> encoded)
      throws Exception {
    for (JsonNode spec : get("/api/specs")) {
      if (spec.path("id").asString().equals("feed-square")) {
        ObjectNode small = ((ObjectNode) spec).put("name", name);
        ((ObjectNode) small.path("canvas")).put("width", width).put("height", height);
        encoded.accept((ObjectNode) small.path("encoding"));
        return post("/api/specs", small.toString()).path("id").asString();
      }
    }
    throw new IllegalStateException("there are no specs");
  }

  /** Asks again and again until an answer is as wanted; gives up after a minute and a half. */
  public JsonNode await(String path, Predicate<JsonNode> wanted) throws Exception {
    for (int i = 0; i < 900; i++) {
      JsonNode answer = get(path);
      if (wanted.test(answer)) {
        return answer;
      }
      Thread.sleep(100);
    }
    throw new IllegalStateException(path + " never was as wanted: " + get(path));
  }

  public Path data() {
    return home.resolve("data");
  }

  public Path media() {
    return home.resolve("media");
  }

  public void awaitReady(long id) throws Exception {
    for (int i = 0; i < 3_000; i++) {
      JsonNode item = find(get("/api/shelf"), id);
      if (item.path("state").asString().equals("READY")) {
        return;
      }
      if (item.path("state").asString().equals("FAILED")) {
        throw new IllegalStateException(item.path("problem").asString());
      }
      Thread.sleep(200);
    }
    throw new IllegalStateException("ingest did not end");
  }

  public static JsonNode find(JsonNode list, long id) {
    for (JsonNode item : list) {
      if (item.path("id").asLong() == id) {
        return item;
      }
    }
    throw new IllegalStateException("no item " + id);
  }

  public JsonNode get(String path) throws Exception {
    return JSON.readTree(
        send(HttpRequest.newBuilder().uri(URI.create(address() + path)).GET()).body());
  }

  public byte[] getBytes(String path) throws Exception {
    return http.send(
            HttpRequest.newBuilder().uri(URI.create(address() + path)).GET().build(),
            HttpResponse.BodyHandlers.ofByteArray())
        .body();
  }

  public JsonNode json(String body) throws Exception {
    return JSON.readTree(body);
  }

  public JsonNode post(String path, String body) throws Exception {
    HttpResponse<String> response = postAny(path, body);
    if (response.statusCode() != 200) {
      throw new IllegalStateException(path + ": " + response.statusCode() + " " + response.body());
    }
    return JSON.readTree(response.body());
  }

  public HttpResponse<String> postAny(String path, String body) throws Exception {
    return send(
        HttpRequest.newBuilder()
            .uri(URI.create(address() + path))
            .header("Content-Type", "application/json")
            .POST(HttpRequest.BodyPublishers.ofString(body)));
  }

  /** A clip of the first words of the first episode. */
  public long clip(String title, int lastWord) throws Exception {
    return post(
            "/api/episodes/1/clips",
            "{\"firstWord\":0,\"lastWord\":" + lastWord + ",\"title\":\"" + title + "\"}")
        .path("id")
        .asLong();
  }

  /** Changes a clip as it is now; answers what it is then. */
  public JsonNode change(long clip, String intent) throws Exception {
    int revision = get("/api/clips/" + clip).path("revision").asInt();
    post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
    return get("/api/clips/" + clip);
  }

  /** Sends JSON by any method. */
  public HttpResponse<String> sent(String method, String path, String body) throws Exception {
    return send(
        HttpRequest.newBuilder(URI.create(address() + path))
            .header("Content-Type", "application/json")
            .method(method, HttpRequest.BodyPublishers.ofString(body)));
  }

  public HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
    return http.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }
}
