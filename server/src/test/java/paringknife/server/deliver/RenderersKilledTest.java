package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.media.ffmpeg.Probe;
import paringknife.server.RunningApplication;
import paringknife.server.episodes.DataFolder;
import tools.jackson.databind.JsonNode;

/** Something on the server stops ffmpeg again and again while a batch is rendered. */
class RenderersKilledTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final int KILLS = 50;
  private static final int CLIPS = 5;
  private static final int LOOKS_BETWEEN = 40;

  private static Stream<ProcessHandle> encoders() {
    return ProcessHandle.current()
        .descendants()
        .filter(p -> p.info().command().orElse("").endsWith("ffmpeg"));
  }

  private static void order(String spec, int words) throws Exception {
    long clip = APP.clip("Clip of " + words, words);
    APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    APP.sent("POST", "/api/episodes/1/renderings", "");
  }

  private static boolean isUnderWay(JsonNode cell) {
    return cell.path("state").asString().matches("WAITING|RENDERING");
  }

  /**
   * Kills whatever encodes; where all slipped through before there were enough, one more is
   * ordered.
   */
  @Test
  void everyFileIsRightAtTheEnd() throws Exception {
    String spec = APP.smallSpec("Killed", 180, 320);
    int clips = 0;
    while (clips < CLIPS) {
      order(spec, 3 + clips++);
    }
    Set<Long> killed = new HashSet<>();
    for (int looks = 1; killed.size() < KILLS; looks++) {
      for (ProcessHandle encoder : encoders().toList()) {
        if (killed.size() < KILLS && killed.add(encoder.pid())) {
          encoder.destroyForcibly();
        }
      }
      Thread.sleep(5);
      if (looks % LOOKS_BETWEEN == 0
          && cells(APP.get("/api/episodes/1/sheet"), spec)
              .noneMatch(RenderersKilledTest::isUnderWay)) {
        order(spec, 3 + clips++ % CLIPS);
      }
    }
    JsonNode sheet =
        APP.await(
            "/api/episodes/1/sheet",
            s -> cells(s, spec).noneMatch(RenderersKilledTest::isUnderWay));
    assertThat(cells(sheet, spec)).hasSize(clips);
    for (JsonNode line : sheet.path("lines")) {
      JsonNode cell = cell(line, spec);
      assertThat(cell.path("state").asString()).as(cell.toString()).isEqualTo("DONE");
      assertThat(cell.path("measured").toString()).doesNotContain("FAILS");
    }
    assertThat(finished()).hasSize(clips).allMatch(f -> Probe.of(f).durationUs() > 1_000_000);
  }

  private static Stream<JsonNode> cells(JsonNode sheet, String spec) {
    return sheet.path("lines").valueStream().map(line -> cell(line, spec));
  }

  private static JsonNode cell(JsonNode line, String spec) {
    return line.path("cells")
        .valueStream()
        .filter(c -> c.path("spec").asString().equals(spec))
        .findFirst()
        .orElseThrow();
  }

  private static List<Path> finished() throws IOException {
    try (Stream<Path> files = Files.walk(APP.part(DataFolder.class).finishedFolder())) {
      return files.filter(f -> f.toString().endsWith(".mp4")).toList();
    }
  }
}
