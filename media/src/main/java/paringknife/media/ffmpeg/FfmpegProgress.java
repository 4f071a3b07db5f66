package paringknife.media.ffmpeg;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.function.DoubleConsumer;

/** Reads ffmpeg's {@code -progress pipe:2}, mixed with its error messages. */
final class FfmpegProgress {
  private static final String TIME = "out_time_us=";

  /** A damaged recording makes ffmpeg say a great deal; the end of it is enough, characters. */
  private static final int MOST_SAID = 64 * 1024;

  private FfmpegProgress() {}

  /** Reports the share done until the stream ends; returns what else was said. */
  static String follow(InputStream errors, long totalUs, DoubleConsumer progress)
      throws IOException {
    StringBuilder said = new StringBuilder();
    try (BufferedReader lines =
        new BufferedReader(new InputStreamReader(errors, StandardCharsets.UTF_8))) {
      for (String line = lines.readLine(); line != null; line = lines.readLine()) {
        if (line.startsWith(TIME)) {
          report(line.substring(TIME.length()), totalUs, progress);
        } else if (!line.matches("[a-z_0-9]+=.*")) {
          said.append(line).append('\n');
          said.delete(0, Math.max(0, said.length() - MOST_SAID));
        }
      }
    }
    return said.toString();
  }

  private static void report(String time, long totalUs, DoubleConsumer progress) {
    if (time.matches("\\d{1,18}") && totalUs > 0) {
      progress.accept(Math.min(1, Long.parseLong(time) / (double) totalUs));
    }
  }
}
