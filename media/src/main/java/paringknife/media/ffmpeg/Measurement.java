package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.deliver.Finished;
import paringknife.core.time.FrameRate;

/**
 * What a finished file measures, read back from the file itself by ffprobe and ffmpeg's {@code
 * ebur128}.
 */
public record Measurement(
    int width,
    int height,
    FrameRate rate,
    double seconds,
    double lufs,
    double truePeakDbtp,
    long bytes) {
  private static final Pattern LOUDNESS = Pattern.compile("I:\\s+(-?[\\d.]+|-inf) LUFS");
  private static final Pattern PEAK = Pattern.compile("Peak:\\s+(-?[\\d.]+|-inf) dBFS");

  public static Measurement of(Path file) {
    Recording recording = Probe.of(file);
    Recording.Picture picture = recording.picture();
    String said =
        Ffmpeg.inBackground()
            .with("-v", "info", "-nostats")
            .recording(file)
            .with("-map", "0:a:0", "-af", "ebur128=peak=true", "-f", "null", "-")
            .within(Duration.ofMinutes(10))
            .said();
    String summary = said.substring(Math.max(0, said.lastIndexOf("Summary:")));
    return new Measurement(
        picture == null ? 0 : picture.width(),
        picture == null ? 0 : picture.height(),
        picture == null ? new FrameRate(25, 1) : picture.rate(),
        recording.durationUs() / 1e6,
        figure(LOUDNESS, summary),
        figure(PEAK, summary),
        file.toFile().length());
  }

  /** The same for holding it against what a destination asks for. */
  public Finished finished(long plannedUs) {
    return new Finished(width, height, rate, seconds, lufs, truePeakDbtp, bytes, plannedUs);
  }

  private static double figure(Pattern pattern, String text) {
    Matcher matcher = pattern.matcher(text);
    if (!matcher.find() || matcher.group(1).equals("-inf")) {
      return -120;
    }
    return Double.parseDouble(matcher.group(1));
  }
}
