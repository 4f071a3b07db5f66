package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Clips, their changes, undo and redo, through the real application and a real MariaDB. */
class ClipsOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static JsonNode clip() throws Exception {
    return APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
  }

  private static JsonNode change(JsonNode clip, String intent) throws Exception {
    APP.post("/api/clips/" + clip.path("id").asLong() + "/changes", body(clip, intent));
    return now(clip);
  }

  private static JsonNode now(JsonNode clip) throws Exception {
    return APP.get("/api/clips/" + clip.path("id").asLong());
  }

  private static JsonNode step(JsonNode clip, String direction) throws Exception {
    return APP.post(
        "/api/clips/" + clip.path("id").asLong() + "/" + direction,
        "{\"revision\":" + clip.path("revision").asInt() + "}");
  }

  private static String body(JsonNode clip, String intent) {
    return "{\"revision\":" + clip.path("revision").asInt() + ",\"intent\":" + intent + "}";
  }

  @Test
  void everyChangeIsThereAfterARestartAndCanBeUndone() throws Exception {
    JsonNode clip = clip();
    JsonNode words = change(clip, "{\"type\":\"pareWords\",\"first\":2,\"last\":3}");
    JsonNode pauses =
        change(
            words,
            "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.5,\"head\":0.02,\"tail\":0.15}");
    JsonNode fillers = change(pauses, "{\"type\":\"pareFillers\"}");
    assertThat(fillers.path("pared").path("lengthUs").asLong())
        .isLessThan(pauses.path("pared").path("lengthUs").asLong());
    APP.restart();
    JsonNode after = APP.get("/api/clips/" + clip.path("id").asLong());
    assertThat(after).isEqualTo(fillers);
    assertThat(after.path("undo").asString()).isEqualTo("pare fillers");
    JsonNode back = after;
    for (int i = 0; i < 3; i++) {
      step(back, "undo");
      back = now(back);
    }
    assertThat(back.path("pared").path("removals")).isEmpty();
    assertThat(back.path("pared").path("kept")).isEqualTo(clip.path("pared").path("kept"));
    JsonNode again = back;
    for (int i = 0; i < 3; i++) {
      step(again, "redo");
      again = now(again);
    }
    assertThat(again.path("pared").path("removals"))
        .isEqualTo(fillers.path("pared").path("removals"));
    assertThat(again.path("redo").isNull()).isTrue();
  }

  /** The document is written whole now and then only; the log carries the rest over a restart. */
  @Test
  void manyChangesSurviveARestartAndAllOfThemCanBeUndone() throws Exception {
    JsonNode first = clip();
    JsonNode last = first;
    for (int i = 0; i < 150; i++) {
      String intent =
          i % 3 == 0
              ? "{\"type\":\"rename\",\"title\":\"Ice " + i + "\"}"
              : i % 3 == 1
                  ? "{\"type\":\"pareWords\",\"first\":4,\"last\":5}"
                  : "{\"type\":\"putBackWords\",\"first\":4,\"last\":5}";
      last = change(last, intent);
    }
    for (int i = 0; i < 40; i++) {
      step(last, "undo");
      last = now(last);
    }
    last = change(last, "{\"type\":\"pareWords\",\"first\":7,\"last\":7}");
    APP.restart();
    assertThat(now(last)).isEqualTo(last);
    while (!last.path("undo").isNull()) {
      step(last, "undo");
      last = now(last);
    }
    assertThat(last.path("delivered").path("title").asString()).isEqualTo("Ice");
    assertThat(last.path("pared").path("kept")).isEqualTo(first.path("pared").path("kept"));
    assertThat(last.path("revision").asInt()).isEqualTo(1 + 150 + 40 + 1 + 111);
  }

  /** Nothing is picked, pared or framed: the whole film, with captions of all that is said. */
  @Test
  void aFinishedFilmIsCaptionedAndNothingElse() throws Exception {
    JsonNode film = APP.post("/api/episodes/1/captioned", "{}");
    assertThat(film.path("pared").path("removals")).isEmpty();
    assertThat(film.path("pared").path("lengthUs").asLong())
        .isEqualTo(APP.get("/api/episodes/1").path("durationUs").asLong());
    assertThat(film.path("framed").path("layout").path("type").asString()).isEqualTo("whole");
    assertThat(film.path("delivered").path("specs").toString()).isEqualTo("[\"wide\"]");
    assertThat(film.path("delivered").path("title").asString()).isEqualTo("Tones");
    StringBuilder said = new StringBuilder();
    for (JsonNode cue : APP.get("/api/clips/" + film.path("id").asLong() + "/cues")) {
      cue.path("lines")
          .forEach(l -> l.forEach(w -> said.append(w.path("text").asString()).append(' ')));
    }
    assertThat(said.toString().strip())
        .isEqualTo("Um, the ice came up. Nobody had told me. So get up.");
    assertThat(APP.postAny("/api/episodes/99/captioned", "{}").statusCode()).isEqualTo(404);
  }

  @Test
  void aStepTellsOnlyWhatHasMoved() throws Exception {
    JsonNode clip = clip();
    JsonNode step =
        APP.post(
            "/api/clips/" + clip.path("id").asLong() + "/changes",
            body(clip, "{\"type\":\"pareWords\",\"first\":5,\"last\":5}"));
    assertThat(step.path("fromRevision")).isEqualTo(clip.path("revision"));
    assertThat(step.path("pared").path("removals").path("added")).hasSize(1);
    assertThat(step.path("pared").path("kept").path("taken").asInt()).isEqualTo(1);
    assertThat(step.path("pared").path("kept").path("added")).hasSize(2);
    assertThat(step.path("pared").path("spans").asInt())
        .isEqualTo(now(clip).path("pared").path("kept").size());
  }

  @Test
  void aSecondWindowDoesNotOverwriteTheFirst() throws Exception {
    JsonNode clip = clip();
    JsonNode first = change(clip, "{\"type\":\"pareWords\",\"first\":1,\"last\":1}");
    HttpResponse<String> second =
        APP.postAny(
            "/api/clips/" + clip.path("id").asLong() + "/changes",
            body(clip, "{\"type\":\"rename\",\"title\":\"Other\"}"));
    assertThat(second.statusCode()).isEqualTo(409);
    assertThat(second.body()).contains("another window");
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong())).isEqualTo(first);
  }

  @Test
  void aChangeOfNothingIsNoStep() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"letter\",\"lettering\":\"ledger\"}");
    JsonNode same = change(clip, "{\"type\":\"letter\",\"lettering\":\"ledger\"}");
    assertThat(same.path("revision")).isEqualTo(clip.path("revision"));
  }

  @Test
  void nonsenseIsRefusedInPlainWordsAndChangesNothing() throws Exception {
    JsonNode clip = clip();
    String path = "/api/clips/" + clip.path("id").asLong() + "/changes";
    for (String intent :
        new String[] {
          "{\"type\":\"pareWords\",\"first\":5,\"last\":99}",
          "{\"type\":\"letter\",\"lettering\":\"none\"}",
          "{\"type\":\"reframe\",\"shape\":\"9:0\",\"layout\":{\"type\":\"speaker\"}}",
          "{\"type\":\"rename\",\"title\":\"  \"}",
          "{\"type\":\"parePauses\",\"thresholdDb\":9,\"shortest\":0.5,\"head\":0,\"tail\":0}"
        }) {
      HttpResponse<String> refused = APP.postAny(path, body(clip, intent));
      assertThat(refused.statusCode()).as(intent).isEqualTo(422);
      assertThat(refused.body()).as(intent).contains("message").doesNotContain("Exception");
    }
    assertThat(APP.postAny(path, "{").statusCode()).isEqualTo(400);
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong())).isEqualTo(clip);
  }

  @Test
  void aBinnedClipComesBackWithItsEdits() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":1,\"last\":1}");
    APP.send(
        java.net.http.HttpRequest.newBuilder()
            .uri(java.net.URI.create(APP.address() + "/api/clips/" + clip.path("id").asLong()))
            .DELETE());
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong()).path("message").asString())
        .contains("not there");
    JsonNode back = APP.post("/api/clips/" + clip.path("id").asLong() + "/return", "{}");
    assertThat(back.path("pared").path("removals")).isEqualTo(clip.path("pared").path("removals"));
  }
}
