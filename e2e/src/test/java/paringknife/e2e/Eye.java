package paringknife.e2e;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import paringknife.media.process.ChildProcess;

/** Looks into finished files with tools that are not ours: ffmpeg, ffprobe and tesseract. */
final class Eye {
  private static final Duration LIMIT = Duration.ofMinutes(2);

  private Eye() {}

  /** Text that tesseract reads in a picture of a video, letters only, lower case. */
  static String readText(Path video, double second, Path folder) {
    Path picture = folder.resolve("read.png");
    ChildProcess.run(
        List.of("ffmpeg", "-nostdin", "-y", "-v", "error", "-ss", number(second), "-i", video.toString(), "-frames:v", "1", "-vf", "crop=iw:ih*0.35:0:ih*0.5,eq=contrast=1.2", picture.toString()),
        null,
        LIMIT);
    String found =
        ChildProcess.run(List.of("tesseract", picture.toString(), "-", "--psm", "11", "-l", "eng"), null, LIMIT).text();
    return found.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", " ").trim();
  }

  /** Grey values of the upper part of one picture, scaled to 90 x 60. */
  static byte[] upperPart(Path video, String filterBefore, double second) {
    return ChildProcess.run(
            List.of("ffmpeg", "-nostdin", "-v", "error", "-ss", number(second), "-i", video.toString(), "-frames:v", "1", "-vf", filterBefore + "crop=iw:ih*0.45:0:0,scale=90:60,format=gray", "-f", "rawvideo", "pipe:1"),
            null,
            LIMIT)
        .output();
  }

  static double difference(byte[] a, byte[] b) {
    double sum = 0;
    for (int i = 0; i < a.length; i++) {
      sum += Math.abs((a[i] & 0xff) - (b[i] & 0xff));
    }
    return sum / a.length;
  }

  /** Mono sound at 8 kHz between two times. */
  static float[] sound(Path media, double from, double seconds) {
    byte[] bytes =
        ChildProcess.run(
                List.of("ffmpeg", "-nostdin", "-v", "error", "-ss", number(from), "-t", number(seconds), "-i", media.toString(), "-ac", "1", "-ar", "8000", "-f", "f32le", "pipe:1"),
                null,
                LIMIT)
            .output();
    float[] out = new float[bytes.length / 4];
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(out);
    return out;
  }

  /** How much later {@code b} is than {@code a}, in seconds, by cross-correlation within 0.2 s. */
  static double lag(float[] a, float[] b) {
    int reach = 1600;
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int lag = -reach; lag <= reach; lag++) {
      double sum = 0;
      for (int i = reach; i < Math.min(a.length, b.length) - reach; i++) {
        sum += a[i] * b[i + lag];
      }
      if (sum > most) {
        most = sum;
        best = lag;
      }
    }
    return best / 8000.0;
  }

  static String probe(Path media, String entries) {
    return ChildProcess.run(List.of("ffprobe", "-v", "error", "-select_streams", "v:0", "-count_packets", "-show_entries", entries, "-of", "csv=p=0", media.toString()), null, LIMIT).text().trim();
  }

  /** The last summary of ffmpeg's {@code ebur128}. */
  static String loudness(Path media) {
    String said = ChildProcess.run(List.of("ffmpeg", "-nostdin", "-nostats", "-i", media.toString(), "-af", "ebur128=peak=true", "-f", "null", "-"), null, LIMIT).errors();
    return said.substring(said.lastIndexOf("Summary:"));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.6f", value);
  }
}
