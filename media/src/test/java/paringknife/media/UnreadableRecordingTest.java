package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.media.process.ProcessFailed;

/**
 * ffmpeg ends before it opens any of its outputs: who waits for them is let go, nothing is left.
 */
class UnreadableRecordingTest {
  @TempDir private Path folder;

  @Test
  @Timeout(60)
  void aRecordingThatIsGoneWhenItIsReadLeavesNothing() throws IOException {
    Recording recording =
        Probe.of(SampleMedia.recording(folder.resolve("gone.mp4"), "320x180", "25", 1));
    Files.delete(recording.file());
    for (int attempt = 0; attempt < 5; attempt++) {
      assertThatThrownBy(() -> SampleMedia.takenIn(recording)).isInstanceOf(ProcessFailed.class);
    }
    try (Stream<Path> left = Files.list(folder)) {
      assertThat(left).isEmpty();
    }
  }
}
