package paringknife.media.ffmpeg;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import paringknife.core.time.FrameRate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Looks into a media file with ffprobe. */
public final class Probe {
  private static final Duration LIMIT = Duration.ofSeconds(60);
  private static final Duration READING_LIMIT = Duration.ofMinutes(10);
  private static final int USUAL_RATE = 60;
  private static final int FASTEST = 240;

  /** A recording that ends so much earlier than it says is read through, seconds. */
  private static final double LEAST_MISSING_S = 2;

  private static final double MOST_MISSING_S = 10;

  /** The same as a share of its length. */
  private static final double MISSING = 0.02;

  /** From this height on, pictures that do not say so have the colours of HD (common practice). */
  private static final int LEAST_HD_HEIGHT = 720;

  private static final double LEAST_PIXEL = 0.1;
  private static final JsonMapper JSON = new JsonMapper();

  private Probe() {}

  /**
   * Probes a file.
   *
   * @throws UnusableRecording with a message in the user's words when nothing can be made of it
   */
  public static Recording of(Path file) {
    if (!Files.isRegularFile(file)) {
      throw new UnusableRecording("There is no file " + file + ".");
    }
    Ffmpeg.Result outcome =
        Ffmpeg.probe()
            .with("-show_format", "-show_streams", "-of", "json")
            .looksInto(file)
            .within(LIMIT)
            .anyExit();
    if (outcome.exit() != 0) {
      throw new UnusableRecording(
          file.getFileName()
              + " cannot be read as a recording. It may be damaged, cut off, or not a media file.");
    }
    JsonNode root = JSON.readTree(outcome.output());
    Recording.Picture picture = null;
    int channels = 0;
    for (JsonNode stream : root.path("streams")) {
      String type = stream.path("codec_type").asString("");
      boolean cover = stream.path("disposition").path("attached_pic").asInt(0) == 1;
      if (type.equals("video") && !cover && picture == null) {
        picture = picture(stream);
      }
      if (type.equals("audio") && channels == 0) {
        channels = Math.max(1, stream.path("channels").asInt(1));
      }
    }
    long us = lengthUs(root.path("format"), file);
    if (picture == null && channels == 0) {
      throw new UnusableRecording(file.getFileName() + " holds neither picture nor sound.");
    }
    if (us <= 0) {
      throw new UnusableRecording(file.getFileName() + " has no length.");
    }
    return new Recording(file, us, picture, channels);
  }

  /**
   * Matroska says when it ends, the others how long they last; one written live says nothing. What
   * is said is believed only where there is something to see or hear near that end.
   */
  private static long lengthUs(JsonNode format, Path file) {
    double seconds = number(format.path("duration").asString(""));
    double start = Math.max(0, number(format.path("start_time").asString("")));
    boolean saysItsEnd = format.path("format_name").asString("").startsWith("matroska");
    double end = saysItsEnd ? seconds : seconds + start;
    if (seconds == 0 || !reaches(file, end)) {
      return readThrough(file);
    }
    return Math.round((saysItsEnd ? seconds - start : seconds) * 1e6);
  }

  private static boolean reaches(Path file, double end) {
    double missing = Math.max(LEAST_MISSING_S, Math.min(MOST_MISSING_S, end * MISSING));
    if (end <= missing) {
      return true;
    }
    Ffmpeg.Result looked =
        Ffmpeg.probe()
            .with("-read_intervals", Ffmpeg.seconds(end - missing) + "%")
            .with("-show_entries", "packet=pts_time", "-of", "csv=p=0")
            .looksInto(file)
            .within(LIMIT)
            .anyExit();
    return looked.text().lines().anyMatch(l -> number(l.replace(",", "")) >= end - missing);
  }

  private static double number(String text) {
    return text.matches("-?\\d{1,12}(\\.\\d{1,12})?") ? Double.parseDouble(text) : 0;
  }

  private static long readThrough(Path file) {
    String told =
        Ffmpeg.now()
            .with("-progress", "pipe:1")
            .recording(file)
            .with("-map", "0", "-c", "copy", "-f", "null", "-")
            .within(READING_LIMIT)
            .anyExit()
            .text();
    Matcher times = Pattern.compile("out_time_us=(\\d{1,18})").matcher(told);
    long last = 0;
    while (times.find()) {
      last = Long.parseLong(times.group(1));
    }
    return last;
  }

  private static Recording.@Nullable Picture picture(JsonNode stream) {
    int width = stream.path("width").asInt(0);
    int height = stream.path("height").asInt(0);
    if (width <= 0 || height <= 0) {
      return null;
    }
    int turn = 0;
    for (JsonNode side : stream.path("side_data_list")) {
      turn = side.path("rotation").asInt(turn);
    }
    boolean turned = Math.abs(turn) % 180 == 90;
    double pixel = ratio(stream.path("sample_aspect_ratio").asString(""));
    FrameRate rate =
        rate(
            stream.path("r_frame_rate").asString("0/0"),
            stream.path("avg_frame_rate").asString("0/0"));
    int shown = (int) Math.round(width * pixel);
    return new Recording.Picture(
        turned ? height : shown,
        turned ? shown : height,
        rate,
        form(stream, height, shown == width));
  }

  private static Recording.Form form(JsonNode stream, int height, boolean squarePixels) {
    String order = stream.path("field_order").asString("progressive");
    String matrix = stream.path("color_space").asString("unknown");
    boolean isKnown = !matrix.equals("unknown") && !matrix.isEmpty();
    String assumed = height >= LEAST_HD_HEIGHT ? "bt709" : "smpte170m";
    String pixels = stream.path("pix_fmt").asString("");
    boolean isRgb = pixels.matches("(gbr|rgb|bgr|pal|mono|gray).*");
    String range = stream.path("color_range").asString("unknown");
    return new Recording.Form(
        squarePixels,
        List.of("tt", "bb", "tb", "bt").contains(order),
        isKnown || isRgb ? "" : assumed,
        pixels.equals("yuv420p")
            && (isKnown ? matrix : assumed).equals("bt709")
            && List.of("tv", "unknown").contains(range));
  }

  private static double ratio(String text) {
    Matcher parts = Pattern.compile("(\\d{1,9}):(\\d{1,9})").matcher(text);
    double ratio =
        parts.matches() && !parts.group(2).equals("0")
            ? Double.parseDouble(parts.group(1)) / Double.parseDouble(parts.group(2))
            : 0;
    return ratio > LEAST_PIXEL && ratio < 1 / LEAST_PIXEL ? ratio : 1;
  }

  /**
   * The rate that a file states, where it can be one: pictures that come as they please are often
   * stated at a multiple of what they come at, and then what they come at counts.
   */
  private static FrameRate rate(String nominal, String average) {
    Optional<FrameRate> stated = rate(nominal);
    Optional<FrameRate> came = rate(average);
    boolean usual = stated.isPresent() && stated.get().perSecond() <= USUAL_RATE;
    boolean meant =
        stated.isPresent()
            && came.isPresent()
            && stated.get().perSecond() <= FASTEST
            && stated.get().perSecond() < came.get().perSecond() * 1.02;
    if (usual || meant) {
      return stated.get();
    }
    return came.filter(r -> r.perSecond() <= USUAL_RATE).orElse(new FrameRate(30, 1));
  }

  private static Optional<FrameRate> rate(String text) {
    Matcher parts = Pattern.compile("(\\d{1,9})/(\\d{1,9})").matcher(text);
    if (!parts.matches()) {
      return Optional.empty();
    }
    int top = Integer.parseInt(parts.group(1));
    int bottom = Integer.parseInt(parts.group(2));
    return top > 0 && bottom > 0 ? Optional.of(new FrameRate(top, bottom)) : Optional.empty();
  }
}
