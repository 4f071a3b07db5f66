package paringknife.media.ffmpeg;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleConsumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.core.deliver.FileForm;
import paringknife.core.deliver.Finished;
import paringknife.core.deliver.LookedThrough;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * What a finished file measures, read back from the file itself by ffprobe and ffmpeg's {@code
 * ebur128}, {@code blackdetect}, {@code freezedetect} and {@code silencedetect}.
 *
 * @param form how it is coded
 * @param black where the picture is black for half a second and more
 * @param still where the picture stands still for two seconds and more
 * @param silent where nothing is heard for a second and more
 * @param streams when its picture and its sound begin and end
 */
public record Measurement(
    int width,
    int height,
    FrameRate rate,
    double seconds,
    double lufs,
    double truePeakDbtp,
    long bytes,
    FileForm form,
    List<Span> black,
    List<Span> still,
    List<Span> silent,
    StreamTimes streams) {
  private static final Duration LIMIT = Duration.ofMinutes(30);
  private static final Pattern LOUDNESS = Pattern.compile("I:\\s+(-?[\\d.]+|-inf) LUFS");
  private static final Pattern PEAK = Pattern.compile("Peak:\\s+(-?[\\d.]+|-inf) dBFS");
  private static final Pattern BLACK =
      Pattern.compile("(black_start):([\\d.]+)|(black_end):([\\d.]+)");
  private static final Pattern STILL =
      Pattern.compile("(freeze_start): ([\\d.]+)|(freeze_end): ([\\d.]+)");
  private static final Pattern SILENT =
      Pattern.compile("(silence_start): (-?[\\d.]+)|(silence_end): (-?[\\d.]+)");

  /** What is black, stands still or is silent shows at a quarter of the size, too. */
  private static final String WATCHED =
      "scale=iw/4:ih/4:flags=fast_bilinear,blackdetect=d=0.5:pic_th=0.98,freezedetect=n=0.0001:d=2";

  /** Pictures that no other is made from tell nothing more, nor do smoothed edges of blocks. */
  private static final String[] QUICKLY = {"-skip_frame", "noref", "-skip_loop_filter", "all"};

  private static final String HEARD = "ebur128=peak=true,silencedetect=n=-60dB:d=1";

  /** Goes through a file. */
  public static Measurement of(Path file) {
    return of(file, share -> {});
  }

  /**
   * Goes through a file.
   *
   * @param progress told how far it is, 0 to 1
   */
  public static Measurement of(Path file, DoubleConsumer progress) {
    Recording recording = Probe.of(file);
    Recording.Picture picture = recording.picture();
    Ffmpeg run =
        Ffmpeg.shortlyInBackground().with("-v", "info", "-nostats").recording(file, QUICKLY);
    if (picture != null) {
      run.with("-map", "0:v:0", "-vf", WATCHED);
    }
    String said =
        run.with("-map", "0:a:0", "-af", HEARD, "-f", "null", "-")
            .telling(recording.durationUs(), progress)
            .within(LIMIT)
            .said();
    String summary = said.substring(Math.max(0, said.lastIndexOf("Summary:")));
    long us = recording.durationUs();
    FileStreams read = FileStreams.of(file);
    return new Measurement(
        picture == null ? 0 : picture.width(),
        picture == null ? 0 : picture.height(),
        picture == null ? new FrameRate(25, 1) : picture.rate(),
        us / 1e6,
        figure(LOUDNESS, summary),
        figure(PEAK, summary),
        file.toFile().length(),
        read.form(),
        stretches(BLACK, said, us),
        stretches(STILL, said, us),
        stretches(SILENT, said, us),
        read.times());
  }

  /** The same for holding it against what a destination asks for. */
  public Finished finished(long plannedUs) {
    return new Finished(width, height, rate, seconds, lufs, truePeakDbtp, bytes, plannedUs);
  }

  /**
   * What was noticed of it.
   *
   * @param captions at which moments captions were looked for, microseconds
   * @param unseen those of them at which they are not in the picture
   */
  public LookedThrough lookedThrough(List<Long> captions, List<Long> unseen) {
    return new LookedThrough(
        Math.round(seconds * 1e6),
        form,
        black,
        still,
        silent,
        streams.soundLateUs(),
        streams.soundShortUs(),
        captions,
        unseen);
  }

  private static double figure(Pattern pattern, String text) {
    Matcher matcher = pattern.matcher(text);
    if (!matcher.find() || matcher.group(1).equals("-inf")) {
      return -120;
    }
    return Double.parseDouble(matcher.group(1));
  }

  /** Starts and ends in turn; what has no end lasts as long as the file. */
  private static List<Span> stretches(Pattern pattern, String said, long lengthUs) {
    List<Span> stretches = new ArrayList<>();
    Matcher told = pattern.matcher(said);
    long start = -1;
    while (told.find()) {
      if (told.group(1) != null) {
        start = Math.max(0, us(told.group(2)));
      } else if (start >= 0) {
        stretches.add(new Span(start, Math.max(start, us(told.group(4)))));
        start = -1;
      }
    }
    if (start >= 0) {
      stretches.add(new Span(start, Math.max(start, lengthUs)));
    }
    return stretches;
  }

  private static long us(String seconds) {
    return Math.round(Double.parseDouble(seconds) * 1e6);
  }
}
