package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.media.ffmpeg.Ingest;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ProcessFailed;
import paringknife.media.process.WorkBeside;

/** Pictures and sound are taken in side by side: where one of them ends early both do. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class EndedIngestTest {
  private Path folder;
  private Recording recording;
  private final WorkBeside beside = new WorkBeside("takes-in", 1);

  @BeforeAll
  void record(@TempDir Path temporary) {
    recording = Probe.of(SampleMedia.recording(temporary.resolve("talk.mp4"), "640x360", "25", 60));
    folder = temporary.resolve("taken-in");
    assertThat(folder.toFile().mkdir()).isTrue();
  }

  private Ingest ingest() {
    return new Ingest(recording, folder.resolve("proxy.mp4"), folder.resolve("sound.flac"));
  }

  /** Those that read the recording. */
  private Stream<ProcessHandle> running() {
    return ProcessHandle.current().descendants().filter(p -> hasArgument(p, "talk.mp4"));
  }

  private static boolean hasArgument(ProcessHandle process, String end) {
    return Arrays.stream(process.info().arguments().orElse(new String[0]))
        .anyMatch(argument -> argument.endsWith(end));
  }

  @AfterAll
  void end() {
    beside.close();
  }

  @AfterEach
  void nothingIsLeft() {
    assertThat(running()).isEmpty();
    assertThat(folder).isEmptyDirectory();
  }

  @ParameterizedTest
  @ValueSource(strings = {"libx264", "flac"})
  void oneThatIsKilledEndsTheOther(String encoder) throws Exception {
    Future<?> run = beside.start(() -> ingest().run(share -> {}));
    Optional<ProcessHandle> killed = Optional.empty();
    while (killed.isEmpty()) {
      assertThat(run).isNotDone();
      killed = running().filter(p -> hasArgument(p, encoder)).findFirst();
    }
    killed.get().destroyForcibly();
    assertThatThrownBy(run::get).hasCauseInstanceOf(ProcessFailed.class);
  }

  @Test
  void whoeverIsToldMayEndBoth() {
    assertThatThrownBy(
            () ->
                ingest()
                    .run(
                        share -> {
                          throw new IllegalStateException("not wanted any more");
                        }))
        .hasMessage("not wanted any more");
  }
}
