package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Briefs, marks, pieces and chapters through the real application and a real MariaDB. */
class PickingOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static HttpResponse<String> put(String path, String body) throws Exception {
    return APP.send(
        HttpRequest.newBuilder()
            .uri(URI.create(APP.address() + path))
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
  }

  private static String text(String path) throws Exception {
    return APP.send(HttpRequest.newBuilder().uri(URI.create(APP.address() + path)).GET()).body();
  }

  @Test
  void theBriefOfAShowIsKeptAndASentenceFillsIt() throws Exception {
    JsonNode brief = APP.get("/api/episodes/1/brief");
    assertThat(brief.path("count").asInt()).isEqualTo(3);
    JsonNode read =
        APP.post(
            "/api/episodes/1/brief-sentence",
            "{\"sentence\":\"two clips of 2 to 4 seconds about ice\",\"otherwise\":" + brief + "}");
    assertThat(read.path("understood")).hasSize(3);
    APP.post("/api/episodes/1/picks", read.path("brief").toString());
    JsonNode kept = APP.get("/api/episodes/1/brief");
    assertThat(kept.path("count").asInt()).isEqualTo(2);
    assertThat(kept.path("longest").asDouble()).isEqualTo(4);
    assertThat(kept.path("subjects").get(0).asString()).isEqualTo("ice");
    assertThat(
            APP.postAny(
                    "/api/episodes/1/picks",
                    "{\"count\":0,\"shortest\":1,\"longest\":4,\"subjects\":[],\"avoid\":[],\"unheard\":[]}")
                .statusCode())
        .isEqualTo(422);
  }

  @Test
  void marksAreImportedChangedExportedAndCleared() throws Exception {
    JsonNode read =
        APP.post(
            "/api/episodes/1/marks/import",
            "{\"name\":\"picks.csv\",\"text\":\"in,out,title\\n0.5,1.5,Ice\\n1:00:00,1:00:10,Beyond\\n\"}");
    assertThat(read.path("marks").asInt()).isEqualTo(1);
    assertThat(read.path("mended").get(0).asString()).contains("Beyond");
    JsonNode mark = APP.get("/api/episodes/1/marks").get(0);
    assertThat(
            put(
                    "/api/episodes/1/marks",
                    mark.toString()
                        .replace("\"Ice\"", "\"Ice at night\"")
                        .replace("\"note\":\"\"", "\"note\":\"good end\""))
                .statusCode())
        .isEqualTo(200);
    assertThat(text("/api/episodes/1/marks/file?format=csv"))
        .contains("00:00:00.500,00:00:01.500,\"Ice at night\"");
    assertThat(text("/api/episodes/1/marks/file?format=edl")).contains("AA/V  C");
    assertThat(
            APP.postAny(
                    "/api/episodes/1/marks",
                    "{\"startUs\":5,\"endUs\":5,\"state\":\"MARKED\",\"title\":\"\",\"note\":\"\"}")
                .statusCode())
        .isEqualTo(422);
    assertThat(
            APP.postAny("/api/episodes/1/marks/import", "{\"name\":\"x.edl\",\"text\":\"hello\"}")
                .statusCode())
        .isEqualTo(422);
    APP.postAny("/api/episodes/1/marks/remove", "{\"ids\":[" + mark.path("id").asLong() + "]}");
    assertThat(APP.get("/api/episodes/1/marks")).isEmpty();
  }

  @Test
  void chaptersAreProposedSettledAndProposedAgain() throws Exception {
    assertThat(APP.get("/api/episodes/1/chapters").path("settled").asBoolean()).isFalse();
    assertThat(
            put(
                    "/api/episodes/1/chapters",
                    "[{\"startUs\":0,\"title\":\"Ice\"},{\"startUs\":1000000,\"title\":\"Water\"}]")
                .statusCode())
        .isEqualTo(200);
    JsonNode settled = APP.get("/api/episodes/1/chapters");
    assertThat(settled.path("settled").asBoolean()).isTrue();
    assertThat(settled.path("chapters")).hasSize(2);
    assertThat(text("/api/episodes/1/chapters/file?format=vtt"))
        .startsWith("WEBVTT")
        .contains("Water");
    assertThat(put("/api/episodes/1/chapters", "[{\"startUs\":0,\"title\":\" \"}]").statusCode())
        .isEqualTo(422);
    put("/api/episodes/1/chapters", "[]");
    assertThat(APP.get("/api/episodes/1/chapters").path("settled").asBoolean()).isFalse();
  }

  @Test
  void aRecordingIsPartedIntoPieces() throws Exception {
    assertThat(APP.post("/api/episodes/1/pieces", "{\"scripts\":\"\",\"breakSeconds\":60}"))
        .hasSize(1);
    assertThat(
            APP.postAny("/api/episodes/1/pieces", "{\"scripts\":\"\",\"breakSeconds\":0}")
                .statusCode())
        .isEqualTo(422);
  }

  @Test
  void aClipKeepsVersionsIsDuplicatedAndLeavesAsACutList() throws Exception {
    JsonNode clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
    String path = "/api/clips/" + clip.path("id").asLong();
    APP.post(path + "/versions", "{\"name\":\"untouched\"}");
    APP.post(
        path + "/changes",
        "{\"revision\":1,\"intent\":{\"type\":\"pareWords\",\"first\":1,\"last\":2}}");
    JsonNode version = APP.get(path + "/versions").get(0);
    JsonNode comparison =
        APP.get(path + "/versions/" + version.path("id").asLong() + "/comparison");
    assertThat(
            comparison
                .path("words")
                .valueStream()
                .filter(w -> w.path("inFirst").asBoolean() && !w.path("inSecond").asBoolean()))
        .hasSize(2);
    APP.post(path + "/versions/" + version.path("id").asLong() + "/return", "{\"revision\":2}");
    assertThat(APP.get(path).path("pared").path("removals")).isEmpty();
    JsonNode copy = APP.post(path + "/duplicate", "{}");
    assertThat(copy.path("delivered").path("title").asString()).isEqualTo("Ice, copy");
    assertThat(text(path + "/cut-list?format=edl")).startsWith("TITLE: Ice");
    assertThat(text(path + "/cut-list?format=otio")).contains("Timeline.1");
    assertThat(APP.postAny(path + "/versions", "{\"name\":\" \"}").statusCode()).isEqualTo(422);
    JsonNode sped =
        APP.post(
            path + "/changes", "{\"revision\":3,\"intent\":{\"type\":\"setSpeed\",\"speed\":1.1}}");
    assertThat(sped.path("pared").path("lengthUs").asLong())
        .isBetween(
            Math.round(clip.path("pared").path("lengthUs").asLong() / 1.101),
            Math.round(clip.path("pared").path("lengthUs").asLong() / 1.099));
    assertThat(
            APP.postAny(
                    path + "/changes",
                    "{\"revision\":4,\"intent\":{\"type\":\"setSpeed\",\"speed\":1.5}}")
                .statusCode())
        .isEqualTo(422);
  }
}
