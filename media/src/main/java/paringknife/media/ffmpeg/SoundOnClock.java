package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.media.process.ChildProcess;

/** One recording's sound alone, on the episode's clock. */
public final class SoundOnClock {
  private SoundOnClock() {}

  /**
   * Writes it as FLAC, 48 kHz stereo.
   *
   * @param durationUs length of the episode
   * @return the target
   */
  public static Path write(HeardSound sound, long durationUs, Path target) {
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(List.of("-i", Input.argument(sound.recording().file())));
    command.addAll(
        List.of(
            "-filter_complex",
            SoundGraph.mixed(List.of(sound), 0, durationUs) + "[out]",
            "-map",
            "[out]",
            "-c:a",
            "flac",
            "-sample_fmt",
            "s16",
            target.toString()));
    ChildProcess.run(command, null, Duration.ofSeconds(120 + durationUs / 1_000_000));
    return target;
  }
}
