package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Edge;
import paringknife.core.letter.style.Entrance;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.Fill;
import paringknife.core.letter.style.Motion;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/** Letters whose colour changes on the way down, and soft ones, as ffmpeg's libass draws them. */
class FilledLettersTest {
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;
  private static final Canvas CANVAS = new Canvas(WIDTH, HEIGHT, SafeArea.PLAIN);
  private static final Colour RED = Colour.rgb(0xFF0000);
  private static final Colour BLUE = Colour.rgb(0x0000FF);
  private static final Style PLAIN =
      Style.of(Face.of("Archivo Black", 150), new SpokenMark.Unmarked()).withText(RED);

  @TempDir static Path folder;

  private static CaptionFonts fonts;

  @BeforeAll
  static void layOut() {
    fonts = new CaptionFonts(folder.resolve("fonts"));
  }

  private static Cue cue() {
    CueWord first = new CueWord("HELM", new Span(0, 900_000), 0);
    CueWord second = new CueWord("HULL", new Span(1_000_000, 1_900_000), 1);
    return new Cue(new Span(0, 2_000_000), List.of(List.of(first), List.of(second)));
  }

  /** Ten pictures a second on black; red, green and blue of each pixel. */
  private static byte[] drawn(Style style) throws Exception {
    Files.writeString(
        folder.resolve("letters.ass"), new AssScript(style, CANVAS).write(List.of(cue())));
    return ChildProcess.run(
            List.of(
                "ffmpeg",
                "-nostdin",
                "-v",
                "error",
                "-f",
                "lavfi",
                "-i",
                "color=black:s=" + WIDTH + "x" + HEIGHT + ":r=10:d=2",
                "-vf",
                "format=gbrp,ass=letters.ass:fontsdir=fonts",
                "-pix_fmt",
                "rgb24",
                "-f",
                "rawvideo",
                "-"),
            folder,
            Duration.ofMinutes(1))
        .output();
  }

  private static byte[] picture(byte[] pictures, int number) {
    int size = WIDTH * HEIGHT * 3;
    return Arrays.copyOfRange(pictures, number * size, (number + 1) * size);
  }

  /** Share of blue in what is drawn of a row; -1 where nothing is. */
  private static double blue(byte[] picture, int row) {
    long red = 0;
    long blue = 0;
    for (int x = 0; x < WIDTH; x++) {
      red += picture[(row * WIDTH + x) * 3] & 255;
      blue += picture[(row * WIDTH + x) * 3 + 2] & 255;
    }
    return red + blue < 5 * 255 ? -1 : blue / (double) (red + blue);
  }

  @Test
  void theColourGoesOverFromTheTopOfEachLineToItsFoot() throws Exception {
    byte[] picture = picture(drawn(PLAIN.withFill(new Fill(BLUE, 0))), 10);
    double before = -1;
    int lines = 0;
    for (int row = 0; row < HEIGHT; row++) {
      double now = blue(picture, row);
      if (now >= 0 && before < 0) {
        lines++;
        assertThat(now).as("top of line %d", lines).isLessThan(0.1);
      } else if (now < 0 && before >= 0) {
        assertThat(before).as("foot of line %d", lines).isGreaterThan(0.9);
      } else if (now >= 0) {
        assertThat(now).as("row %d", row).isGreaterThanOrEqualTo(before - 0.01);
      }
      before = now;
    }
    assertThat(lines).isEqualTo(2);
  }

  /**
   * Strips that go over to the same colour leave no seam, wherever the letters are on their way.
   */
  @ParameterizedTest
  @ValueSource(strings = {"stands", "pops", "rises", "grows", "is outlined"})
  void stripsMeetWithoutASeam(String how) throws Exception {
    Style style =
        switch (how) {
          case "pops" -> PLAIN.withMotion(Motion.of(new Entrance.Pop(1_500, 0.2)));
          case "rises" -> PLAIN.withMotion(Motion.of(new Entrance.Rise(1_500, 200)));
          case "grows" -> PLAIN.withMotion(new Motion(Entrance.NONE, 0.3, 0));
          case "is outlined" -> PLAIN.withEdges(new Edge(BLUE, 9, 3));
          default -> PLAIN;
        };
    assertThat(drawn(style.withFill(new Fill(RED, 0)))).isEqualTo(drawn(style));
  }

  @Test
  void softLettersGoOverToTheGroundSlowlyAndTheirOutlineStaysSharp() throws Exception {
    byte[] sharp = picture(drawn(PLAIN), 10);
    byte[] soft = picture(drawn(PLAIN.withFill(new Fill(null, 12))), 10);
    assertThat(partly(soft)).isGreaterThan(4 * partly(sharp));
    Style outlined = PLAIN.withEdges(new Edge(RED, 20, 0));
    byte[] around = picture(drawn(outlined.withFill(new Fill(null, 12))), 10);
    assertThat(partly(around)).as("the outline's outer side").isLessThan(2 * partly(sharp));
  }

  /** Pixels that are neither drawn nor left as they were. */
  private static long partly(byte[] picture) {
    long count = 0;
    for (int i = 0; i < picture.length; i += 3) {
      int value = picture[i] & 255;
      count += value > 20 && value < 235 ? 1 : 0;
    }
    return count;
  }
}
