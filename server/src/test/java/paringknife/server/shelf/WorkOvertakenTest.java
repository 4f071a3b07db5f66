package paringknife.server.shelf;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.kagkarlsson.scheduler.Scheduler;
import java.net.http.HttpResponse;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;

/** Work on an episode that is stopped, asked for anew, or added only in part. */
class WorkOvertakenTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  @Test
  void stoppedWorkIsNotAppliedAfterOtherWorkWasAskedFor() {
    EpisodeStore store = APP.part(EpisodeStore.class);
    APP.part(Scheduler.class).pause();
    try {
      EpisodeStore.Work voices = store.want(1, WordsWork.VOICES);
      AtomicInteger applied = new AtomicInteger();
      assertThat(store.ifWanted(voices, applied::incrementAndGet)).isTrue();
      store.letGo(1);
      assertThat(store.ifWanted(voices, applied::incrementAndGet)).as("stopped").isFalse();
      EpisodeStore.Work times = store.want(1, WordsWork.TIME);
      assertThat(store.ifWanted(voices, applied::incrementAndGet)).as("overtaken").isFalse();
      assertThat(store.reportStep(voices, IngestStep.WORDS, 0.5, 0.5)).isFalse();
      assertThat(store.reportStep(times, IngestStep.WORDS, 0.5, 0.5)).isTrue();
      store.arrived(voices, "of the stopped work");
      store.fail(voices, "of the stopped work");
      EpisodeStore.Row row = store.byId(1).orElseThrow();
      assertThat(row.state()).isEqualTo(EpisodeState.ARRIVING);
      assertThat(row.problem()).isNull();
      assertThat(applied).hasValue(1);
      store.arrived(times, null);
      assertThat(store.byId(1).orElseThrow().state()).isEqualTo(EpisodeState.READY);
    } finally {
      APP.part(Scheduler.class).resume();
    }
  }

  @Test
  void anEpisodeIsAddedWholeOrNotAtAll() throws Exception {
    int before = APP.get("/api/shelf").size();
    java.nio.file.Files.copy(APP.media().resolve("tones.mp4"), APP.media().resolve("second.mp4"));
    HttpResponse<String> refused =
        APP.postAny(
            "/api/episodes",
            "{\"show\":\"S\",\"title\":\"T\",\"recording\":\"second.mp4\",\"microphones\":[{\"file\":\"tones.mp4\",\"speaker\":\""
                + "n".repeat(1_500)
                + "\"}]}");
    assertThat(refused.statusCode()).isEqualTo(422);
    assertThat(refused.body()).contains("A speaker's name has up to 200 characters");
    assertThat(APP.get("/api/shelf")).hasSize(before);
    JsonNode added =
        APP.post(
            "/api/episodes",
            "{\"show\":\"S\",\"title\":\"T\",\"recording\":\"second.mp4\",\"transcript\":\"tones.json\"}");
    APP.awaitReady(added.path("id").asLong());
  }

  @Test
  void namesThatDifferInTheirCapitalsAreTwoFiles() throws Exception {
    for (String name : new String[] {"Take.mp4", "take.mp4"}) {
      java.nio.file.Files.copy(APP.media().resolve("tones.mp4"), APP.media().resolve(name));
      JsonNode added =
          APP.post(
              "/api/episodes",
              "{\"show\":\"S\",\"title\":\"T\",\"recording\":\""
                  + name
                  + "\",\"transcript\":\"tones.json\"}");
      APP.awaitReady(added.path("id").asLong());
    }
  }

  @Test
  void aClipThatHasChangedMeanwhileIsNotParted() throws Exception {
    long clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}")
            .path("id")
            .asLong();
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":{\"type\":\"rename\",\"title\":\"Snow\"}}");
    int before = APP.get("/api/episodes/1/clips").size();
    HttpResponse<String> late =
        APP.postAny("/api/clips/" + clip + "/part", "{\"revision\":" + revision + ",\"word\":5}");
    assertThat(late.statusCode()).isEqualTo(409);
    assertThat(APP.get("/api/episodes/1/clips")).as("no stray clip").hasSize(before);
  }

  @Test
  void anyShapeThatCanBeWorkedOutCanBePreviewedAndNoOtherIsKept() throws Exception {
    long clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":5,\"title\":\"Ice\"}")
            .path("id")
            .asLong();
    for (String shape : new String[] {"8:9", "21:9", "1:4", "9:16"}) {
      int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
      APP.post("/api/clips/" + clip + "/changes", reframe(revision, shape));
      JsonNode preview = APP.get("/api/clips/" + clip + "/preview");
      JsonNode canvas = preview.path("canvas");
      String[] sides = shape.split(":");
      assertThat(canvas.path("width").asDouble() / canvas.path("height").asDouble())
          .isCloseTo(
              Double.parseDouble(sides[0]) / Double.parseDouble(sides[1]),
              org.assertj.core.api.Assertions.within(0.002));
      assertThat(preview.path("path").size()).isPositive();
    }
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    for (String shape : new String[] {"1:100", "0:9", "9", "x:y", "-9:-16"}) {
      assertThat(
              APP.postAny("/api/clips/" + clip + "/changes", reframe(revision, shape)).statusCode())
          .as(shape)
          .isEqualTo(422);
    }
    JsonNode wide = APP.get("/api/clips/" + clip + "/preview?spec=wide");
    assertThat(wide.path("spec").asString()).isEqualTo("wide");
    assertThat(wide.path("canvas").path("width").asInt()).isEqualTo(1_920);
  }

  private static String reframe(int revision, String shape) {
    return "{\"revision\":"
        + revision
        + ",\"intent\":{\"type\":\"reframe\",\"shape\":\""
        + shape
        + "\",\"layout\":{\"type\":\"speaker\"}}}";
  }
}
