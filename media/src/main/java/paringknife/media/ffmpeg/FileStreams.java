package paringknife.media.ffmpeg;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import paringknife.core.deliver.FileForm;

/**
 * The picture and the sound of a finished file, read by ffprobe in one go.
 *
 * @param form how they are coded
 * @param times when they begin and end
 */
record FileStreams(FileForm form, StreamTimes times) {
  private static final Duration LIMIT = Duration.ofMinutes(10);

  static FileStreams of(Path file) {
    boolean isIndexFirst = Mp4Boxes.areInOrderToPlay(file);
    return Ffmpeg.probe()
        .with("-show_entries", "stream=index,codec_type,codec_name,profile,pix_fmt,start_time")
        .with("-show_entries", "packet=stream_index,pts_time,duration_time", "-of", "compact")
        .looksInto(file)
        .within(LIMIT)
        .read(output -> read(output, isIndexFirst));
  }

  /** Lines of {@code packet} or {@code stream}, and {@code name=value} for each field. */
  private static FileStreams read(InputStream output, boolean isIndexFirst) throws IOException {
    Map<String, Long> ends = new HashMap<>();
    Map<String, Map<String, String>> streams = new HashMap<>();
    BufferedReader lines =
        new BufferedReader(new InputStreamReader(output, StandardCharsets.UTF_8));
    for (String line = lines.readLine(); line != null; line = lines.readLine()) {
      Map<String, String> told = fields(line);
      if (line.startsWith("packet|")) {
        ends.merge(
            told.getOrDefault("stream_index", ""),
            us(told.get("pts_time")) + us(told.get("duration_time")),
            Math::max);
      } else if (line.startsWith("stream|")) {
        streams.putIfAbsent(told.getOrDefault("codec_type", ""), told);
      }
    }
    Map<String, String> picture = streams.getOrDefault("video", Map.of());
    Map<String, String> sound = streams.getOrDefault("audio", Map.of());
    FileForm form =
        new FileForm(
            picture.getOrDefault("codec_name", ""),
            picture.getOrDefault("profile", ""),
            picture.getOrDefault("pix_fmt", ""),
            sound.getOrDefault("codec_name", ""),
            isIndexFirst);
    return new FileStreams(form, times(picture, sound, ends));
  }

  private static StreamTimes times(
      Map<String, String> picture, Map<String, String> sound, Map<String, Long> ends) {
    if (picture.isEmpty() || sound.isEmpty()) {
      return StreamTimes.OF_ONE;
    }
    return new StreamTimes(
        us(picture.get("start_time")),
        ends.getOrDefault(picture.get("index"), 0L),
        us(sound.get("start_time")),
        ends.getOrDefault(sound.get("index"), 0L));
  }

  private static Map<String, String> fields(String line) {
    Map<String, String> fields = new HashMap<>();
    for (String field : line.split("\\|")) {
      int equals = field.indexOf('=');
      if (equals > 0) {
        fields.put(field.substring(0, equals), field.substring(equals + 1));
      }
    }
    return fields;
  }

  private static long us(@Nullable String seconds) {
    return seconds != null && seconds.matches("-?\\d{1,9}(\\.\\d{1,9})?")
        ? Math.round(Double.parseDouble(seconds) * 1e6)
        : 0;
  }
}
