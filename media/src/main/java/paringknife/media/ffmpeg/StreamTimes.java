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

/**
 * When the picture and the sound of a file begin, and when the last of their packets ends.
 *
 * @param hasBoth whether there are both a picture and sound; else all are 0
 */
record StreamTimes(
    boolean hasBoth,
    long pictureBeginsUs,
    long pictureEndsUs,
    long soundBeginsUs,
    long soundEndsUs) {
  private static final Duration LIMIT = Duration.ofMinutes(10);
  private static final StreamTimes OF_ONE = new StreamTimes(false, 0, 0, 0, 0);

  static StreamTimes of(Path file) {
    return Ffmpeg.probe()
        .with("-show_entries", "stream=index,codec_type,start_time")
        .with("-show_entries", "packet=stream_index,pts_time,duration_time", "-of", "csv")
        .looksInto(file)
        .within(LIMIT)
        .read(StreamTimes::read);
  }

  /** How much later than the picture the sound begins, microseconds. */
  long soundLateUs() {
    return soundBeginsUs - pictureBeginsUs;
  }

  /** How much earlier than the picture the sound ends, microseconds. */
  long soundShortUs() {
    return pictureEndsUs - soundEndsUs;
  }

  /** Lines of {@code packet,INDEX,START,LENGTH} and {@code stream,INDEX,TYPE,START}. */
  private static StreamTimes read(InputStream output) throws IOException {
    Map<String, Long> ends = new HashMap<>();
    Map<String, String[]> streams = new HashMap<>();
    BufferedReader lines =
        new BufferedReader(new InputStreamReader(output, StandardCharsets.UTF_8));
    for (String line = lines.readLine(); line != null; line = lines.readLine()) {
      String[] fields = line.split(",");
      if (fields.length < 4) {
        continue;
      }
      if (fields[0].equals("packet")) {
        ends.merge(fields[1], us(fields[2]) + us(fields[3]), Math::max);
      } else if (fields[0].equals("stream")) {
        streams.putIfAbsent(fields[2], fields);
      }
    }
    String[] picture = streams.get("video");
    String[] sound = streams.get("audio");
    return picture == null || sound == null
        ? OF_ONE
        : new StreamTimes(
            true,
            us(picture[3]),
            ends.getOrDefault(picture[1], 0L),
            us(sound[3]),
            ends.getOrDefault(sound[1], 0L));
  }

  private static long us(String seconds) {
    return seconds.matches("-?\\d{1,9}(\\.\\d{1,9})?")
        ? Math.round(Double.parseDouble(seconds) * 1e6)
        : 0;
  }
}
