package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Captions, letterings and fonts through the real application and a real MariaDB. */
class LetteringOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  @Test
  void placesByShapeAreKeptAndNonsenseIsRefused() throws Exception {
    long id = APP.clip("Placed", 11);
    ObjectNode style =
        (ObjectNode) APP.get("/api/letterings").path("letterings").get(0).path("style");
    ObjectNode put = style.putArray("places").addObject();
    put.putObject("shape").put("width", 9).put("height", 16);
    put.putObject("place").put("x", 0.4).put("y", 0.3);
    JsonNode kept = APP.change(id, "{\"type\":\"restyle\",\"style\":" + style + "}");
    assertThat(kept.path("lettered").path("style").path("places")).hasSize(1);
    for (String wrong :
        List.of(
            "[null]",
            "[{}]",
            "[{\"shape\":null,\"place\":null}]",
            "[{\"shape\":{\"width\":0,\"height\":1},\"place\":{\"x\":0,\"y\":0}}]",
            "[{\"shape\":{\"width\":1,\"height\":1},\"place\":{\"x\":7,\"y\":0}}]",
            "7")) {
      String asked = style.deepCopy().set("places", APP.json(wrong)).toString();
      int revision = APP.get("/api/clips/" + id).path("revision").asInt();
      assertThat(
              APP.postAny(
                      "/api/clips/" + id + "/changes",
                      "{\"revision\":"
                          + revision
                          + ",\"intent\":{\"type\":\"restyle\",\"style\":"
                          + asked
                          + "}}")
                  .statusCode())
          .as(wrong)
          .isBetween(400, 422);
    }
  }

  /** Everything that can be set of a caption is there after a restart, and drawn. */
  @Test
  void whatIsSetOfCaptionsIsKeptAndDrawn() throws Exception {
    long id = APP.clip("Edits", 11);
    APP.change(id, "{\"type\":\"letter\",\"lettering\":\"sluice\"}");
    APP.change(
        id,
        "{\"type\":\"editCaptions\",\"edits\":["
            + "{\"type\":\"showAs\",\"wordId\":0,\"text\":\"{\\\\fs9}Frost\"},"
            + "{\"type\":\"key\",\"wordId\":1},"
            + "{\"type\":\"styled\",\"wordId\":2,\"style\":{\"colour\":{\"red\":9,\"green\":8,\"blue\":7,\"alpha\":255},\"scale\":1.5,\"italic\":true}},"
            + "{\"type\":\"placed\",\"wordId\":0,\"place\":{\"x\":0.5,\"y\":0.3}},"
            + "{\"type\":\"lineBefore\",\"wordId\":1},"
            + "{\"type\":\"begin\",\"wordId\":0,\"laterUs\":40000}]}");
    APP.restart();
    JsonNode cue = APP.get("/api/clips/" + id + "/cues").get(0);
    assertThat(cue.path("lines").get(0).get(0).path("text").asString()).isEqualTo("{\\fs9}Frost");
    assertThat(cue.path("beginsLaterUs").asLong()).isEqualTo(40_000);
    assertThat(cue.path("setByHand")).hasSizeGreaterThanOrEqualTo(5);
    String script =
        new String(APP.getBytes("/api/clips/" + id + "/captions.ass"), StandardCharsets.UTF_8);
    assertThat(script).contains("(/fs9)Frost").contains("\\1c&H070809&");
    JsonNode specimens = APP.get("/api/letterings");
    assertThat(specimens.path("letterings")).hasSizeGreaterThanOrEqualTo(12);
    for (JsonNode lettering : specimens.path("letterings")) {
      JsonNode specimen =
          APP.get("/api/clips/" + id + "/specimens/" + lettering.path("id").asString());
      assertThat(specimen.path("script").asString()).contains("Dialogue: 3");
    }
    assertThat(APP.get("/api/clips/" + id + "/key-words").isArray()).isTrue();
    String style = specimens.path("letterings").get(3).path("style").toString();
    HttpResponse<String> tried =
        APP.postAny("/api/clips/" + id + "/tried.ass", "{\"style\":" + style + "}");
    assertThat(tried.statusCode()).isEqualTo(200);
    assertThat(tried.body()).contains("Dialogue: 3").isNotEqualTo(script);
  }

  private static String tried(long id, int revision, int words) throws Exception {
    return tried(id, "?clip=" + revision + "&words=" + words);
  }

  private static String tried(long id, String seen) throws Exception {
    String style = APP.get("/api/letterings").path("letterings").get(0).path("style").toString();
    HttpResponse<String> tried =
        APP.postAny("/api/clips/" + id + "/tried.ass" + seen, "{\"style\":" + style + "}");
    assertThat(tried.statusCode()).as(tried.body()).isEqualTo(200);
    return tried.body();
  }

  /** What is known from the try before is of no use once the clip or its words have changed. */
  @Test
  void aStyleIsTriedOnTheCaptionsThatThereAre() throws Exception {
    long id = APP.clip("Tried on", 11);
    int revision = APP.get("/api/clips/" + id).path("revision").asInt();
    int words = APP.get("/api/episodes/1/transcript").path("revision").asInt();
    String before = tried(id, revision, words);
    assertThat(tried(id, revision, words)).isEqualTo(before);
    APP.change(id, "{\"type\":\"pareWords\",\"first\":3,\"last\":5}");
    String pared = tried(id, revision + 1, words);
    assertThat(pared).isNotEqualTo(before);
    assertThat(tried(id, revision, words)).as("a page that lags").isEqualTo(pared);
    assertThat(tried(id, 1_000_000, -7)).as("what never was").isEqualTo(pared);
    assertThat(tried(id, "?at=2000000")).as("all of it is near").isEqualTo(pared);
    assertThat(pared).contains("Dialogue: ");
    for (String far : List.of("60000000", "9223372036854775807")) {
      assertThat(tried(id, "?at=" + far)).contains("Style: ").doesNotContain("Dialogue: ");
    }
  }

  @Test
  void whatNoCaptionCanBeIsRefusedWithAWord() throws Exception {
    long id = APP.clip("Refused", 11);
    for (String intent :
        new String[] {
          "{\"type\":\"letter\",\"lettering\":\"nowhere\"}",
          "{\"type\":\"restyle\",\"style\":{\"face\":null}}",
          "{\"type\":\"rebreak\",\"breaking\":{\"words\":0,\"lines\":1,\"characters\":20,\"sentences\":false,\"lineShape\":\"EVEN\",\"timing\":{\"shortestUs\":0,\"longestUs\":6000000,\"lingerUs\":0}}}",
          "{\"type\":\"retype\",\"words\":[],\"text\":\"x\"}",
          "{\"type\":\"retype\",\"words\":[{\"id\":99999,\"text\":\"x\"}],\"text\":\"x\"}",
          "{\"type\":\"replaceInCaptions\",\"words\":[0],\"found\":\" \",\"by\":\"x\"}",
          "{\"type\":\"editCaptions\",\"edits\":[{\"type\":\"begin\",\"wordId\":0,\"laterUs\":90000000}]}",
          "{\"type\":\"editCaptions\",\"edits\":[null]}",
          "{\"type\":\"useCaptions\",\"use\":\"SOMEWHERE\"}",
        }) {
      HttpResponse<String> answer =
          APP.postAny(
              "/api/clips/" + id + "/changes", "{\"revision\":1,\"intent\":" + intent + "}");
      assertThat(answer.statusCode()).as(intent).isBetween(400, 422);
      assertThat(answer.body()).as(intent).doesNotContain("paringknife.").doesNotContain("java.");
    }
    assertThat(APP.get("/api/clips/" + id).path("revision").asInt()).isEqualTo(1);
  }

  private static HttpResponse<String> sendFont(byte[] font) throws Exception {
    return APP.send(
        HttpRequest.newBuilder(URI.create(APP.address() + "/api/fonts"))
            .header("Content-Type", "application/octet-stream")
            .POST(HttpRequest.BodyPublishers.ofByteArray(font)));
  }

  @Test
  void aFontOfOnesOwnComesAndGoes() throws Exception {
    byte[] font = Files.readAllBytes(Path.of("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf"));
    HttpResponse<String> added = sendFont(font);
    assertThat(added.statusCode()).as(added.body()).isEqualTo(200);
    JsonNode letterings = APP.get("/api/letterings");
    JsonNode own =
        letterings
            .path("typefaces")
            .valueStream()
            .filter(t -> t.path("family").asString().equals("DejaVu Sans"))
            .findFirst()
            .orElseThrow();
    String file = own.path("own").asString();
    assertThat(letterings.path("files").toString()).contains(file).contains("anton");
    assertThat(APP.getBytes("/lettering-fonts/" + file)).isEqualTo(font);
    assertThat(APP.sent("DELETE", "/api/fonts/" + file, "").statusCode()).isEqualTo(204);
    assertThat(APP.sent("DELETE", "/api/fonts/" + file, "").statusCode()).isEqualTo(404);
    assertThat(APP.get("/api/letterings").toString()).doesNotContain(file);
  }

  @Test
  void whatIsNoFontIsRefusedAndShippedOnesStay() throws Exception {
    for (byte[] wrong :
        List.of(new byte[0], new byte[3], "<svg onload=x>".getBytes(StandardCharsets.UTF_8))) {
      HttpResponse<String> refused = sendFont(wrong);
      assertThat(refused.statusCode()).as(refused.body()).isBetween(400, 422);
    }
    assertThat(sendFont(new byte[13 << 20]).statusCode()).isEqualTo(413);
    String shipped = APP.get("/api/letterings").path("files").get(0).asString();
    for (String name : List.of(shipped, "own-..%2f..%2flock", "own-%00", "x")) {
      assertThat(APP.sent("DELETE", "/api/fonts/" + name, "").statusCode())
          .as(name)
          .isBetween(400, 404);
    }
    assertThat(APP.getBytes("/lettering-fonts/" + shipped)).isNotEmpty();
  }
}
