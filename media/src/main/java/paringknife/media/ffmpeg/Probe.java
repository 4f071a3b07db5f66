package paringknife.media.ffmpeg;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import paringknife.core.time.FrameRate;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Looks into a media file with ffprobe. */
public final class Probe {
  private static final Duration LIMIT = Duration.ofSeconds(60);
  private static final Duration READING_LIMIT = Duration.ofMinutes(10);
  private static final int FASTEST = 60;
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
    List<String> command = new ArrayList<>(List.of("ffprobe", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(List.of("-show_format", "-show_streams", "-of", "json", Input.argument(file)));
    ChildProcess.Outcome outcome = ChildProcess.runAnyExit(command, null, LIMIT);
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

  /** Matroska says when it ends, the others how long they last; one written live says nothing. */
  private static long lengthUs(JsonNode format, Path file) {
    double seconds = number(format.path("duration").asString(""));
    if (seconds == 0) {
      return readThrough(file);
    }
    boolean saysItsEnd = format.path("format_name").asString("").startsWith("matroska");
    return Math.round(
        (seconds - (saysItsEnd ? Math.max(0, number(format.path("start_time").asString(""))) : 0))
            * 1e6);
  }

  private static double number(String text) {
    return text.matches("-?\\d+(\\.\\d+)?") ? Double.parseDouble(text) : 0;
  }

  private static long readThrough(Path file) {
    List<String> command =
        new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error", "-progress", "pipe:1"));
    command.addAll(Input.safety());
    command.addAll(
        List.of("-i", Input.argument(file), "-map", "0", "-c", "copy", "-f", "null", "-"));
    Matcher times =
        Pattern.compile("out_time_us=(\\d+)")
            .matcher(ChildProcess.runAnyExit(command, null, READING_LIMIT).text());
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
    FrameRate rate =
        rate(
            stream.path("r_frame_rate").asString("0/0"),
            stream.path("avg_frame_rate").asString("0/0"));
    return Math.abs(turn) % 180 == 90
        ? new Recording.Picture(height, width, rate)
        : new Recording.Picture(width, height, rate);
  }

  private static FrameRate rate(String nominal, String average) {
    for (String text : List.of(nominal, average)) {
      String[] parts = text.split("/");
      int top = Integer.parseInt(parts[0]);
      int bottom = Integer.parseInt(parts[1]);
      if (top > 0 && bottom > 0 && top <= (long) FASTEST * bottom) {
        return new FrameRate(top, bottom);
      }
    }
    return new FrameRate(30, 1);
  }
}
