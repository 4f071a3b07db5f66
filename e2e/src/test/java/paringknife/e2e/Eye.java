package paringknife.e2e;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import paringknife.media.process.ChildProcess;

/** Looks into finished files with tools that are not ours: ffmpeg, ffprobe and tesseract. */
final class Eye {
  private static final Duration LIMIT = Duration.ofMinutes(2);

  private Eye() {}

  /** Text that tesseract reads in a picture of a video, letters only, lower case. */
  static String readText(Path video, double second, Path folder) {
    Path picture = folder.resolve("read.png");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-ss",
            number(second),
            "-i",
            video.toString(),
            "-frames:v",
            "1",
            "-vf",
            "crop=iw:ih*0.35:0:ih*0.5,eq=contrast=1.2",
            picture.toString()),
        null,
        LIMIT);
    String found =
        ChildProcess.run(
                List.of("tesseract", picture.toString(), "-", "--psm", "11", "-l", "eng"),
                null,
                LIMIT)
            .text();
    return found.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", " ").trim();
  }

  /**
   * Grey values of the upper part of one picture, at one size whatever the picture's own. The whole
   * is scaled before it is cut: small pictures of differently sized parts differ by more than a
   * frame does.
   */
  static byte[] upperPart(Path video, String filterBefore, double second) {
    return ChildProcess.run(
            List.of(
                "ffmpeg",
                "-nostdin",
                "-v",
                "error",
                "-ss",
                number(second),
                "-i",
                video.toString(),
                "-frames:v",
                "1",
                "-vf",
                filterBefore + "scale=216:384:flags=area,crop=216:172:0:0,format=gray",
                "-f",
                "rawvideo",
                "pipe:1"),
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
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-v",
                    "error",
                    "-ss",
                    number(from),
                    "-t",
                    number(seconds),
                    "-i",
                    media.toString(),
                    "-ac",
                    "1",
                    "-ar",
                    "8000",
                    "-f",
                    "f32le",
                    "pipe:1"),
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

  /**
   * Where in {@code all} a shorter sound lies best, in seconds, by cross-correlation of like
   * levels.
   */
  static double place(float[] part, float[] all) {
    int best = 0;
    double most = Double.NEGATIVE_INFINITY;
    for (int at = 0; at + part.length <= all.length; at++) {
      double sum = 0;
      double energy = 1e-9;
      for (int i = 0; i < part.length; i += 2) {
        sum += part[i] * all[at + i];
        energy += all[at + i] * all[at + i];
      }
      if (sum / Math.sqrt(energy) > most) {
        most = sum / Math.sqrt(energy);
        best = at;
      }
    }
    return best / 8000.0;
  }

  /**
   * How alike a picture of captions is to what ffmpeg burns, and to the bare ground; SSIM, 1 is the
   * same.
   */
  record Likeness(double withCaptions, double withoutCaptions) {}

  static Likeness captionLikeness(Path picture, Path ass, Path fonts, double second, Path folder)
      throws IOException {
    Path burnt = folder.resolve("burnt.png");
    Path bare = folder.resolve("bare.png");
    String ground = "format=gbrp,drawbox=color=0x205030:t=fill";
    String captions =
        ground
            + ",setpts="
            + number(second)
            + "/TB,ass="
            + ass.getFileName()
            + ":fontsdir="
            + fonts.getFileName()
            + ":original_size="
            + drawnFor(ass);
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            picture.toString(),
            "-frames:v",
            "1",
            "-vf",
            captions,
            burnt.toString()),
        folder,
        LIMIT);
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            picture.toString(),
            "-frames:v",
            "1",
            "-vf",
            ground,
            bare.toString()),
        folder,
        LIMIT);
    return new Likeness(ssim(picture, burnt), ssim(picture, bare));
  }

  /** The size that a script's lengths are stated for; without it libass does not scale its blur. */
  private static String drawnFor(Path ass) throws IOException {
    Matcher size =
        Pattern.compile("PlayResX: (\\d+)\\nPlayResY: (\\d+)").matcher(Files.readString(ass));
    if (!size.find()) {
      throw new IOException("the script does not say its size");
    }
    return size.group(1) + "x" + size.group(2);
  }

  /**
   * How alike the upper parts of a picture and of a frame of a file are: SSIM of luma (Wang, Bovik,
   * Sheikh and Simoncelli, 2004), 1 is the same.
   */
  static double upperLikeness(Path picture, int width, int height, Path video, long frame) {
    String part = ",crop=" + width + ":" + height * 3 / 5 + ":0:0,format=gray";
    return ssim(
        picture,
        video,
        "[0]null"
            + part
            + "[a];[1]select='eq(n,"
            + frame
            + ")',scale="
            + width
            + ":"
            + height
            + ":flags=area"
            + part
            + "[b];[a][b]ssim");
  }

  private static double ssim(Path a, Path b) {
    return ssim(a, b, "[0]format=gbrp[a];[1]format=gbrp[b];[a][b]ssim");
  }

  private static double ssim(Path a, Path b, String graph) {
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-i",
                    a.toString(),
                    "-i",
                    b.toString(),
                    "-filter_complex",
                    graph,
                    "-f",
                    "null",
                    "-"),
                null,
                LIMIT)
            .errors();
    Matcher all = Pattern.compile("All:([\\d.]+)").matcher(said);
    if (!all.find()) {
      throw new IllegalStateException(said);
    }
    return Double.parseDouble(all.group(1));
  }

  static String probe(Path media, String entries) {
    return ChildProcess.run(
            List.of(
                "ffprobe",
                "-v",
                "error",
                "-select_streams",
                "v:0",
                "-count_packets",
                "-show_entries",
                entries,
                "-of",
                "csv=p=0",
                media.toString()),
            null,
            LIMIT)
        .text()
        .trim();
  }

  /** The last summary of ffmpeg's {@code ebur128}. */
  static String loudness(Path media) {
    String said =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-nostats",
                    "-i",
                    media.toString(),
                    "-af",
                    "ebur128=peak=true",
                    "-f",
                    "null",
                    "-"),
                null,
                LIMIT)
            .errors();
    return said.substring(said.lastIndexOf("Summary:"));
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.6f", value);
  }
}
