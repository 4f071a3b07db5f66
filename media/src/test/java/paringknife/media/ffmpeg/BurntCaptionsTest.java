package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.time.Span;
import paringknife.media.store.CaptionFonts;

/**
 * Captions are drawn on the planes of a picture. Outside check: the same script drawn by ffmpeg's
 * own way over red, green and blue, with its conversion from and to BT.709.
 */
class BurntCaptionsTest {
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;
  private static final String GROUND =
      "testsrc2=s="
          + WIDTH
          + "x"
          + HEIGHT
          + ":r=10:d=1,format=gbrp,boxblur=12:2,scale=out_color_matrix=bt709:out_range=tv,format=yuv420p";

  /** Of 255, and what rounding adds. */
  private static final double ONE_STEP = 1.05;

  /** Chroma of edges falls on other samples, which are few. */
  private static final double A_FEW_EDGES = 0.15;

  private static final CueWord FIRST = new CueWord("Borrowed", new Span(0, 450_000), 0);
  private static final CueWord SECOND = new CueWord("veil", new Span(450_000, 1_000_000), 1);

  @TempDir private Path temporary;
  private Path folder;
  private CaptionFonts fonts;

  @BeforeEach
  void layFontsOut() {
    fonts = new CaptionFonts(temporary.resolve("all-fonts"));
  }

  private byte[] planar(String filters) {
    return Ffmpeg.now()
        .in(folder)
        .made(GROUND, 1)
        .with("-vf", filters, "-pix_fmt", "yuv420p", "-f", "rawvideo", "-")
        .run();
  }

  private void comesOutAlike(String script, double within) throws IOException {
    folder = Files.createTempDirectory(temporary, "drawn");
    BurntCaptions captions = new BurntCaptions(script, fonts.directory(), WIDTH, HEIGHT);
    captions.layOut(folder);
    Files.writeString(folder.resolve("captions.ass"), script);
    byte[] ours = planar(captions.filters());
    byte[] theirs =
        planar(
            "scale=in_color_matrix=bt709:in_range=tv,format=gbrp,ass=captions.ass:fontsdir=fonts,"
                + "scale=out_color_matrix=bt709:out_range=tv,format=yuv420p");
    byte[] without = planar("null");
    assertThat(ours).hasSameSizeAs(theirs);
    int luma = WIDTH * HEIGHT;
    int picture = luma * 3 / 2;
    int from = 5 * picture;
    assertThat(meanDifference(without, theirs, from, from + luma)).as("drawn").isGreaterThan(0.2);
    assertThat(meanDifference(ours, theirs, from, from + luma)).as("luma").isLessThan(within);
    assertThat(meanDifference(ours, theirs, from + luma, from + picture))
        .as("chroma")
        .isLessThan(within);
  }

  private static double meanDifference(byte[] a, byte[] b, int from, int to) {
    long sum = 0;
    for (int i = from; i < to; i++) {
      sum += Math.abs((a[i] & 255) - (b[i] & 255));
    }
    return sum / (double) (to - from);
  }

  @Test
  void everyLetteringComesOutAsOverRedGreenAndBlue() throws IOException {
    Canvas canvas = new Canvas(WIDTH, HEIGHT, SafeArea.VERTICAL);
    for (Lettering lettering : Letterings.all()) {
      comesOutAlike(
          new AssScript(lettering.style(), canvas)
              .write(List.of(new Cue(new Span(0, 1_000_000), List.of(List.of(FIRST, SECOND))))),
          A_FEW_EDGES);
    }
  }

  /** A box of one colour over all of the picture: the extremes of each plane. */
  @ParameterizedTest
  @ValueSource(strings = {"0000FF", "00FF00", "FF0000", "FFFFFF", "000000", "FFFF00", "00FFFF"})
  void everyColourIsWhatBt709HasOfIt(String blueGreenRed) throws IOException {
    String script =
        new AssScript(Letterings.SLUICE.style(), new Canvas(WIDTH, HEIGHT, SafeArea.PLAIN))
                .write(List.of())
            + "Dialogue: 0,0:00:00.00,0:00:02.00,Text,,0,0,0,,{\\an7\\pos(0,0)\\bord0\\shad0\\1c&H"
            + blueGreenRed
            + "&\\1a&H00&\\p1}m 0 0 l 540 0 540 960 0 960\n";
    comesOutAlike(script, ONE_STEP);
  }

  /** What is said may look like a colour; only styles and orders hold colours. */
  @Test
  void whatIsSaidIsLeftAlone() {
    String script =
        "Style: Text,Arc&H123456&,90,&H000000FF,&H0000FF00,&H00FF0000,&H80FFFFFF,0\n"
            + "Dialogue: 0,0:00:00.00,0:00:02.00,Text,,0,0,0,,{\\1c&H0000FF&\\alpha&HFF&}&H0000FF& c&H0000FF,\n";
    assertThat(PlaneScript.luma(script))
        .isEqualTo(
            "Style: Text,Arc&H123456&,90,&H00363636,&H00B6B6B6,&H00121212,&H80FFFFFF,0\n"
                + "Dialogue: 0,0:00:00.00,0:00:02.00,Text,,0,0,0,,{\\1c&H363636&\\alpha&HFF&}&H0000FF& c&H0000FF,\n");
  }
}
