package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import paringknife.core.time.FrameRate;
import paringknife.media.store.CaptionFonts;
import paringknife.media.store.ScratchFolder;

/**
 * Looks for captions in a finished picture. What a script draws is drawn once on black and once on
 * white: where both come out alike there is a letter that lets nothing through, and there the
 * finished picture has to be as bright as it.
 */
public final class BurntLetters {
  /** So much of what is drawn has to be there. */
  private static final double MOST_OF = 0.75;

  /** Coding changes a letter's brightness by less, of 255. */
  private static final int ALIKE = 40;

  /** Nothing of the ground shines through, of 255. */
  private static final int SOLID = 8;

  /** With fewer pixels nothing can be said. */
  private static final int FEWEST = 40;

  /** From this shorter side on, letters are as well told at a half of the size. */
  private static final int LARGE = 720;

  private static final String GREY = ",scale=out_color_matrix=bt709:out_range=full,format=gray";

  private final CaptionFonts fonts;

  public BurntLetters(CaptionFonts fonts) {
    this.fonts = fonts;
  }

  /**
   * The moments at which captions are missing from a finished picture; where a script draws nothing
   * solid none is missing.
   *
   * @param script ASS for that picture
   * @param moments on the file's clock, microseconds
   * @param speed how fast the script's clock runs on the file's
   */
  public List<Long> unseen(
      Path file, String script, List<Long> moments, double speed, Measurement measured) {
    if (moments.isEmpty()) {
      return List.of();
    }
    int width = looked(measured.width(), measured);
    int height = looked(measured.height(), measured);
    int size = width * height;
    try (ScratchFolder scratch = ScratchFolder.in(file.toAbsolutePath().getParent())) {
      Files.writeString(scratch.path().resolve("captions.ass"), script);
      Files.createSymbolicLink(scratch.path().resolve("fonts"), fonts.directory().toAbsolutePath());
      byte[] pictures = pictures(file, scratch.path(), moments, speed, measured);
      List<Long> unseen = new ArrayList<>();
      for (int m = 0; m < moments.size() && (m + 1) * 3 * size <= pictures.length; m++) {
        if (!areSeen(
            Arrays.copyOfRange(pictures, m * 3 * size, (m + 1) * 3 * size), width, height)) {
          unseen.add(moments.get(m));
        }
      }
      return unseen;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** For each moment what is drawn on black, on white, and what is in the file; grey. */
  private static byte[] pictures(
      Path file, Path folder, List<Long> moments, double speed, Measurement measured) {
    FrameRate rate = measured.rate();
    int width = looked(measured.width(), measured);
    int height = looked(measured.height(), measured);
    Ffmpeg run = Ffmpeg.shortlyInBackground().in(folder);
    run.made(ground("black", width, height), moments.size());
    run.made(ground("white", width, height), moments.size());
    StringBuilder times = new StringBuilder("0");
    StringBuilder graph = new StringBuilder();
    StringBuilder seen = new StringBuilder();
    for (int m = 0; m < moments.size(); m++) {
      double seconds = rate.nearestFrame(moments.get(m)) / rate.perSecond();
      // A little before its frame, so that this is the first to come.
      double before = Math.max(0, seconds - 0.4 / rate.perSecond());
      run.recording(file, "-ss", Ffmpeg.seconds(before));
      times.append(String.format(Locale.ROOT, "+eq(N,%d)*%.6f", m, seconds * speed));
      graph.append(
          String.format(
              Locale.ROOT,
              "[%d:v:0]trim=end_frame=1,scale=%d:%d:flags=area%s,setpts=0[s%d];",
              m + 2,
              width,
              height,
              GREY,
              m));
      seen.append("[s").append(m).append(']');
    }
    String drawn =
        "settb=AVTB,setpts='("
            + times
            + ")/TB',format=gbrp,ass=captions.ass:fontsdir=fonts:original_size="
            + measured.width()
            + "x"
            + measured.height()
            + GREY
            + ",setpts=N/TB";
    graph.append(seen).append("concat=n=").append(moments.size()).append(",setpts=N/TB[c];");
    graph.append("[0]").append(drawn).append("[a];[1]").append(drawn).append("[b];");
    graph.append("[a][b][c]vstack=3");
    return run.with("-filter_complex", graph.toString())
        .with("-fps_mode", "passthrough", "-f", "rawvideo", "-")
        .run();
  }

  private static int looked(int side, Measurement measured) {
    return Math.min(measured.width(), measured.height()) < LARGE ? side : side / 2;
  }

  private static String ground(String colour, int width, int height) {
    return "color=c=" + colour + ":s=" + width + "x" + height + ":r=1";
  }

  private static boolean areSeen(byte[] pictures, int width, int height) {
    int size = width * height;
    int solid = 0;
    int seen = 0;
    for (int y = 1; y < height - 1; y++) {
      for (int x = 1; x < width - 1; x++) {
        int i = y * width + x;
        if (isSolid(pictures, i, size)
            && isSolid(pictures, i - 1, size)
            && isSolid(pictures, i + 1, size)
            && isSolid(pictures, i - width, size)
            && isSolid(pictures, i + width, size)) {
          solid++;
          seen += Math.abs(grey(pictures, i) - grey(pictures, 2 * size + i)) <= ALIKE ? 1 : 0;
        }
      }
    }
    return solid < FEWEST || seen >= MOST_OF * solid;
  }

  private static boolean isSolid(byte[] pictures, int i, int size) {
    return Math.abs(grey(pictures, i) - grey(pictures, size + i)) <= SOLID;
  }

  private static int grey(byte[] pictures, int i) {
    return pictures[i] & 0xFF;
  }
}
