package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Correcting a transcript through the real application and a real MariaDB. */
class CorrectingOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final String TRANSCRIPT = "/api/episodes/1/transcript";

  private static JsonNode correct(String intent) throws Exception {
    int revision = APP.get(TRANSCRIPT).path("revision").asInt();
    return APP.post(
        TRANSCRIPT + "/changes", "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
  }

  private static JsonNode step(String direction) throws Exception {
    return APP.post(
        TRANSCRIPT + "/" + direction,
        "{\"revision\":" + APP.get(TRANSCRIPT).path("revision").asInt() + "}");
  }

  @Test
  void correctionsAreStepsThatSurviveARestartAndMoveNoCut() throws Exception {
    JsonNode before = APP.get(TRANSCRIPT);
    JsonNode clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
    JsonNode kept = clip.path("pared").path("kept");
    JsonNode step = correct("{\"type\":\"replace\",\"first\":3,\"last\":3,\"text\":\"two words\"}");
    assertThat(step.path("at").asInt()).isEqualTo(3);
    assertThat(step.path("taken").asInt()).isEqualTo(1);
    assertThat(step.path("text")).hasSize(2);
    correct("{\"type\":\"join\",\"first\":3,\"last\":4}");
    correct("{\"type\":\"reassign\",\"first\":0,\"last\":1,\"speaker\":\"Somebody New\"}");
    APP.restart();
    assertThat(APP.get(TRANSCRIPT).path("speakers").toString()).contains("Somebody New");
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong()).path("pared").path("kept"))
        .isEqualTo(kept);
    for (int i = 0; i < 3; i++) {
      step("undo");
    }
    JsonNode after = APP.get(TRANSCRIPT);
    for (String column :
        new String[] {"text", "startUs", "endUs", "ids", "speakers", "confidence"}) {
      assertThat(after.path(column)).as(column).isEqualTo(before.path(column));
    }
    step("redo");
    assertThat(APP.get(TRANSCRIPT).path("text").get(3).asString()).isEqualTo("two");
    step("undo");
  }

  @Test
  void aSecondWindowDoesNotOverwriteTheFirst() throws Exception {
    int revision = APP.get(TRANSCRIPT).path("revision").asInt();
    correct("{\"type\":\"mark\",\"word\":2}");
    HttpResponse<String> late =
        APP.postAny(
            TRANSCRIPT + "/changes",
            "{\"revision\":" + revision + ",\"intent\":{\"type\":\"capital\",\"word\":1}}");
    assertThat(late.statusCode()).isEqualTo(409);
    assertThat(late.body()).contains("another window");
    step("undo");
  }

  @Test
  void theGlossaryProposesAfterTheSecondSameCorrectionAndIsAppliedOnImport() throws Exception {
    String word = APP.get(TRANSCRIPT).path("text").get(5).asString().replaceAll("[^A-Za-z]", "");
    correct("{\"type\":\"replace\",\"first\":5,\"last\":5,\"text\":\"Anstey\"}");
    assertThat(APP.get("/api/episodes/1/glossary")).isEmpty();
    step("undo");
    correct("{\"type\":\"replace\",\"first\":5,\"last\":5,\"text\":\"Anstey\"}");
    JsonNode proposed = APP.get("/api/episodes/1/glossary").get(0);
    assertThat(proposed.path("written").asString()).isEqualTo("Anstey");
    assertThat(proposed.path("heard").asString()).isEqualToIgnoringCase(word);
    assertThat(proposed.path("accepted").asBoolean()).isFalse();
    APP.postAny("/api/episodes/1/glossary", "{\"heard\":\"" + word + "\",\"written\":\"Anstey\"}");
    assertThat(APP.get("/api/episodes/1/glossary").get(0).path("accepted").asBoolean()).isTrue();
    step("undo");
  }

  @Test
  void whatIsSaidIsFoundAcrossTheShelfAlsoAfterACorrection() throws Exception {
    correct("{\"type\":\"replace\",\"first\":1,\"last\":1,\"text\":\"xylophone\"}");
    JsonNode said = APP.get("/api/said?phrase=xylophone");
    assertThat(said).hasSize(1);
    assertThat(said.get(0).path("sentence").asString()).contains("xylophone");
    step("undo");
    assertThat(APP.get("/api/said?phrase=xylophone")).isEmpty();
    assertThat(APP.get("/api/said?phrase=%22%2B%2A%28")).isEmpty();
  }

  @Test
  void theTranscriptLeavesInEveryFormat() throws Exception {
    for (String format : new String[] {"txt", "srt", "vtt", "ttml", "json"}) {
      HttpResponse<String> file =
          APP.send(
              HttpRequest.newBuilder()
                  .uri(
                      URI.create(
                          APP.address() + "/api/episodes/1/transcript-file?format=" + format))
                  .GET());
      assertThat(file.statusCode()).as(format).isEqualTo(200);
      assertThat(file.body())
          .as(format)
          .contains(APP.get(TRANSCRIPT).path("text").get(1).asString());
      assertThat(file.headers().firstValue("Content-Disposition").orElse(""))
          .contains("attachment")
          .contains("." + format);
    }
    assertThat(
            APP.postAny(
                    TRANSCRIPT + "/changes",
                    "{\"revision\":0,\"intent\":{\"type\":\"replace\",\"first\":0,\"last\":0,\"text\":\" \"}}")
                .statusCode())
        .isIn(409, 422);
  }
}
