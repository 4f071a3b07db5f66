package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.List;

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
    String graph = SoundGraph.mixed(List.of(sound), 0, durationUs) + "[out]";
    Ffmpeg.inBackground()
        .recording(sound.recording().file())
        .with("-filter_complex", graph, "-map", "[out]", "-c:a", "flac", "-sample_fmt", "s16")
        .with(target.toString())
        .within(Duration.ofSeconds(120 + durationUs / 1_000_000))
        .run();
    return target;
  }
}
