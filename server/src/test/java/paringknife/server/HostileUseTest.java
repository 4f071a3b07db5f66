package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.pare.PareEditor;
import paringknife.server.clips.ClipStore;
import paringknife.server.shelf.Episodes;
import tools.jackson.databind.JsonNode;

/** What nobody should do to a clip, done: it stays whole and says what state it is in. */
class HostileUseTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final int STEPS = 3_000;
  private static final int LAST = 11;

  private static JsonNode clip() throws Exception {
    return APP.post(
        "/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":" + LAST + ",\"title\":\"Ice\"}");
  }

  private static String path(JsonNode clip) {
    return "/api/clips/" + clip.path("id").asLong();
  }

  private static JsonNode change(JsonNode clip, String intent) throws Exception {
    APP.post(
        path(clip) + "/changes",
        "{\"revision\":" + clip.path("revision").asInt() + ",\"intent\":" + intent + "}");
    return APP.get(path(clip));
  }

  private static JsonNode cell(JsonNode clip) throws Exception {
    for (JsonNode line : APP.get("/api/episodes/1/sheet").path("lines")) {
      if (line.path("clipId").asLong() == clip.path("id").asLong()) {
        return line.path("cells").get(0);
      }
    }
    throw new AssertionError("the clip is not on the sheet");
  }

  @Test
  void paringEverythingLeavesAnEmptyClipThatSaysSoAndComesBack() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":0,\"last\":" + LAST + "}");
    clip =
        change(
            clip,
            "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.1,\"head\":0,\"tail\":0}");
    JsonNode empty = change(clip, "{\"type\":\"putGap\",\"word\":3,\"seconds\":1}");
    assertThat(APP.get(path(clip) + "/preview").path("message").isMissingNode()).isTrue();
    assertThat(APP.get(path(clip) + "/loudness").path("lufs").asDouble()).isEqualTo(-70);
    assertThat(APP.getBytes(path(clip) + "/sound?fromUs=0&toUs=1000000")).hasSize(44 + 192_000);
    JsonNode cell = cell(clip);
    assertThat(cell.path("passes").asBoolean()).as("nothing to deliver").isFalse();
    assertThat(cell.path("checks").toString()).contains("nothing is left");
    assertThat(empty.path("pared").path("lengthUs").asLong()).isLessThan(1_200_000);
    for (String reason : new String[] {"BY_HAND", "PAUSE"}) {
      empty = change(empty, "{\"type\":\"putBackReason\",\"reason\":\"" + reason + "\"}");
    }
    assertThat(empty.path("pared").path("removals")).isEmpty();
    assertThat(empty.path("pared").path("lengthUs").asLong())
        .isEqualTo(empty.path("pared").path("originalUs").asLong() + 1_000_000);
  }

  @Test
  void oneWordIsEnoughForAClip() throws Exception {
    JsonNode clip =
        change(
            change(clip(), "{\"type\":\"pareWords\",\"first\":0,\"last\":4}"),
            "{\"type\":\"pareWords\",\"first\":6,\"last\":" + LAST + "}");
    clip =
        change(
            clip,
            "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.1,\"head\":0,\"tail\":0}");
    assertThat(clip.path("pared").path("kept")).isNotEmpty();
    assertThat(APP.get(path(clip) + "/cues")).hasSize(1);
    assertThat(cell(clip).path("passes").asBoolean()).isTrue();
  }

  /**
   * As the server keeps them, each in a transaction of its own; the last ones over HTTP after a
   * restart.
   */
  @Test
  void thousandsOfStepsAreAllUndone() throws Exception {
    JsonNode first = APP.get(path(clip()));
    long id = first.path("id").asLong();
    ClipStore store = APP.part(ClipStore.class);
    PareEditor editor = APP.part(Episodes.class).open(1).editor();
    ClipStore.StoredClip clip = store.byId(id);
    for (int i = 0; i < STEPS; i++) {
      int word = i / 2 % LAST;
      clip =
          i % 2 == 0
              ? store.change(
                  clip,
                  "pare a word",
                  clip.document().with(editor.pareWords(clip.document().pared(), word, word)))
              : store.change(
                  clip,
                  "put back",
                  clip.document().with(editor.putBackWords(clip.document().pared(), word, word)));
    }
    assertThat(clip.revision()).isEqualTo(first.path("revision").asInt() + STEPS);
    for (int i = 0; i < STEPS - 20; i++) {
      clip = store.undo(clip);
    }
    APP.restart();
    int revision = APP.get("/api/clips/" + id).path("revision").asInt();
    assertThat(revision).isEqualTo(clip.revision());
    for (int i = 0; i < 20; i++) {
      revision =
          APP.post("/api/clips/" + id + "/undo", "{\"revision\":" + revision + "}")
              .path("revision")
              .asInt();
    }
    JsonNode back = APP.get("/api/clips/" + id);
    assertThat(back.path("undo").isNull()).isTrue();
    assertThat(back.path("pared").path("kept")).isEqualTo(first.path("pared").path("kept"));
    assertThat(back.path("pared").path("removals")).isEmpty();
  }

  /**
   * Two windows at once: each change is either in the clip or was refused; none is half there, none
   * is lost.
   */
  @Test
  void twoWindowsAtOnceLoseNothing() throws Exception {
    JsonNode clip = clip();
    int before = APP.get(path(clip)).path("revision").asInt();
    ExecutorService windows = Executors.newFixedThreadPool(2);
    List<Future<Integer>> kept = new ArrayList<>();
    for (int window = 0; window < 2; window++) {
      int word = window * 4;
      kept.add(
          windows.submit(
              () -> {
                int accepted = 0;
                for (int i = 0; i < 60; i++) {
                  int revision = APP.get(path(clip)).path("revision").asInt();
                  String intent = i % 2 == 0 ? "pareWords" : "putBackWords";
                  HttpResponse<String> answer =
                      APP.postAny(
                          path(clip) + "/changes",
                          "{\"revision\":"
                              + revision
                              + ",\"intent\":{\"type\":\""
                              + intent
                              + "\",\"first\":"
                              + word
                              + ",\"last\":"
                              + (word + 1)
                              + "}}");
                  assertThat(answer.statusCode()).isIn(200, 409);
                  JsonNode step = APP.json(answer.body());
                  accepted +=
                      answer.statusCode() == 200 && step.path("revision").asInt() > revision
                          ? 1
                          : 0;
                }
                return accepted;
              }));
    }
    int accepted = 0;
    for (Future<Integer> window : kept) {
      accepted += window.get();
    }
    windows.shutdown();
    assertThat(accepted).isPositive();
    JsonNode after = APP.get(path(clip));
    assertThat(after.path("revision").asInt()).isEqualTo(before + accepted);
    int revision = after.path("revision").asInt();
    for (int i = 0; i < accepted; i++) {
      revision =
          APP.post(path(clip) + "/undo", "{\"revision\":" + revision + "}")
              .path("revision")
              .asInt();
    }
    assertThat(APP.get(path(clip)).path("pared").path("removals"))
        .as("every accepted change was a step")
        .isEmpty();
    APP.restart();
    assertThat(APP.get(path(clip)).path("revision").asInt()).isEqualTo(revision);
  }
}
