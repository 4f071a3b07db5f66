package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
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

  private static Stream<ProcessHandle> encoders() {
    return ProcessHandle.current()
        .descendants()
        .filter(p -> p.info().command().orElse("").endsWith("ffmpeg"));
  }

  @Test
  void everyFileIsRightAtTheEnd() throws Exception {
    String spec = APP.smallSpec("Killed", 180, 320);
    for (int i = 0; i < CLIPS; i++) {
      long clip = APP.clip("Clip " + i, 3 + i);
      APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    }
    APP.sent("POST", "/api/episodes/1/renderings", "");
    Set<Long> killed = new HashSet<>();
    while (killed.size() < KILLS) {
      encoders()
          .forEach(
              e -> {
                if (killed.size() < KILLS && killed.add(e.pid())) {
                  e.destroyForcibly();
                }
              });
      Thread.sleep(5);
    }
    JsonNode sheet =
        APP.await(
            "/api/episodes/1/sheet",
            s ->
                cells(s, spec)
                    .allMatch(c -> !c.path("state").asString().matches("WAITING|RENDERING")));
    assertThat(cells(sheet, spec)).hasSize(CLIPS);
    for (JsonNode line : sheet.path("lines")) {
      JsonNode cell = cell(line, spec);
      assertThat(cell.path("state").asString()).as(cell.toString()).isEqualTo("DONE");
      assertThat(cell.path("measured").toString()).doesNotContain("FAILS");
    }
    assertThat(finished()).hasSize(CLIPS).allMatch(f -> Probe.of(f).durationUs() > 1_000_000);
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

  private static java.util.List<Path> finished() throws IOException {
    try (Stream<Path> files = Files.walk(APP.part(DataFolder.class).finishedFolder())) {
      return files.filter(f -> f.toString().endsWith(".mp4")).toList();
    }
  }
}
