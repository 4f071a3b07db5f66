package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.time.FrameRate;
import paringknife.media.process.ChildProcess;

/**
 * What a finished file measures, read back from the file itself by ffprobe and ffmpeg's {@code
 * ebur128}.
 */
public record Measurement(
    int width, int height, FrameRate rate, double seconds, double lufs, double truePeakDbtp) {
  private static final Pattern LOUDNESS = Pattern.compile("I:\\s+(-?[\\d.]+|-inf) LUFS");
  private static final Pattern PEAK = Pattern.compile("Peak:\\s+(-?[\\d.]+|-inf) dBFS");

  public static Measurement of(Path file) {
    Recording recording = Probe.of(file);
    Recording.Picture picture = recording.picture();
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-nostats"));
    command.addAll(Input.safety());
    command.addAll(
        List.of(
            "-i",
            Input.argument(file),
            "-map",
            "0:a:0",
            "-af",
            "ebur128=peak=true",
            "-f",
            "null",
            "-"));
    String said = ChildProcess.run(command, null, Duration.ofMinutes(10)).errors();
    String summary = said.substring(Math.max(0, said.lastIndexOf("Summary:")));
    return new Measurement(
        picture == null ? 0 : picture.width(),
        picture == null ? 0 : picture.height(),
        picture == null ? new FrameRate(25, 1) : picture.rate(),
        recording.durationUs() / 1e6,
        figure(LOUDNESS, summary),
        figure(PEAK, summary));
  }

  private static double figure(Pattern pattern, String text) {
    Matcher matcher = pattern.matcher(text);
    if (!matcher.find() || matcher.group(1).equals("-inf")) {
      return -120;
    }
    return Double.parseDouble(matcher.group(1));
  }
}
