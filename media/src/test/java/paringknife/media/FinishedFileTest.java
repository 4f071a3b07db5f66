package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.deliver.Check;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.BurntLetters;
import paringknife.media.ffmpeg.Measurement;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/**
 * What is found when a finished file is gone through, on files that ffmpeg made with known faults.
 */
class FinishedFileTest {
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;
  private static final String MOVING = "testsrc2=s=270x480:r=30000/1001:d=6";
  private static final String HEARD = "sine=f=300:r=48000:d=6";

  @TempDir Path folder;

  private Path made(String picture, String sound, String... more) {
    Path file = folder.resolve("made.mp4");
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-v", "error", "-y"));
    command.addAll(List.of("-f", "lavfi", "-i", picture, "-f", "lavfi"));
    command.addAll(List.of(more));
    command.addAll(List.of("-i", sound, "-c:v", "libx264", "-preset", "ultrafast", "-c:a", "aac"));
    command.addAll(List.of("-movflags", "+faststart"));
    command.add(file.toString());
    ChildProcess.run(command, folder, Duration.ofMinutes(1));
    return file;
  }

  /** Only pictures that others are made from are looked at: a few in a second. */
  private static void assertStretch(List<Span> found, double from, double to) {
    assertThat(found).hasSize(1);
    assertThat(found.get(0).startUs() / 1e6).isBetween(from - 0.4, from + 0.4);
    assertThat(found.get(0).endUs() / 1e6).isBetween(to - 0.4, to + 0.4);
  }

  @Test
  void nothingIsFoundInAFileThatIsWhole() {
    Measurement measured = Measurement.of(made(MOVING, HEARD));
    assertThat(measured.black()).isEmpty();
    assertThat(measured.still()).isEmpty();
    assertThat(measured.silent()).isEmpty();
    assertThat(measured.lookedThrough(List.of(), List.of()).checks())
        .allMatch(c -> c.verdict().name().equals("PASSES"));
  }

  @Test
  void blackPicturesAreFound() {
    assertStretch(
        Measurement.of(made(MOVING + ",drawbox=t=fill:c=black:enable='between(t,2,3.5)'", HEARD))
            .black(),
        2,
        3.5);
  }

  @Test
  void aPictureThatStopsIsFoundToItsEnd() {
    assertStretch(
        Measurement.of(made(MOVING + ",loop=loop=-1:size=1:start=90,trim=end=6", HEARD)).still(),
        3,
        6);
  }

  @Test
  void silenceIsFound() {
    assertStretch(
        Measurement.of(made(MOVING, HEARD + ",volume=0:enable='between(t,3,5)'")).silent(), 3, 5);
  }

  @Test
  void soundThatIsLateOrStopsEarlyIsFound() {
    Measurement late = Measurement.of(made(MOVING, HEARD, "-itsoffset", "0.3"));
    assertThat(late.lookedThrough(List.of(), List.of()).soundLateUs())
        .isBetween(250_000L, 350_000L);
    Measurement early = Measurement.of(made(MOVING, "sine=f=300:r=48000:d=5"));
    assertThat(early.lookedThrough(List.of(), List.of()).soundShortUs())
        .isBetween(900_000L, 1_100_000L);
  }

  private static Check.Verdict inBrowsers(Path file) {
    return Measurement.of(file).lookedThrough(List.of(), List.of()).checks().stream()
        .filter(c -> c.subject().equals("in browsers"))
        .findFirst()
        .orElseThrow()
        .verdict();
  }

  @Test
  void whatPagesDoNotPlayIsFound() {
    Path whole = made(MOVING, HEARD);
    assertThat(inBrowsers(whole)).isEqualTo(Check.Verdict.PASSES);
    Path late = folder.resolve("late.mp4");
    ChildProcess.run(
        List.of("ffmpeg", "-v", "error", "-i", whole.toString(), "-c", "copy", late.toString()),
        folder,
        Duration.ofMinutes(1));
    assertThat(inBrowsers(late)).as("its index is behind its media").isEqualTo(Check.Verdict.FAILS);
    assertThat(inBrowsers(made(MOVING + ",format=yuv444p", HEARD))).isEqualTo(Check.Verdict.FAILS);
  }

  private static String script(String lettering, long startUs) {
    List<Cue> cues =
        List.of(Cue.given(new Span(startUs, startUs + 3_000_000), "the mill stone turns"));
    return new AssScript(
            Letterings.byId(lettering).style(), new Canvas(WIDTH, HEIGHT, SafeArea.VERTICAL))
        .write(cues);
  }

  @ParameterizedTest
  @ValueSource(strings = {"sluice", "matinee", "pebble", "broadside"})
  void captionsAreSeenWhereTheyAreBurntInAndNowhereElse(String lettering) throws Exception {
    CaptionFonts fonts = new CaptionFonts(folder.resolve("fonts"));
    String script = script(lettering, 2_000_000);
    Files.writeString(folder.resolve("burnt.ass"), script);
    Path burnt =
        made(
            "testsrc2=s="
                + WIDTH
                + "x"
                + HEIGHT
                + ":r=10:d=6,format=gbrp,ass=burnt.ass:fontsdir=fonts"
                + ",scale=out_color_matrix=bt709:out_range=tv",
            HEARD);
    BurntLetters letters = new BurntLetters(fonts);
    Measurement measured = Measurement.of(burnt);
    assertThat(letters.unseen(burnt, script, List.of(1_000_000L, 3_400_000L), 1, measured))
        .as("nothing is drawn at the first, so nothing is missed")
        .isEmpty();
    String elsewhere = script(lettering, 0);
    assertThat(letters.unseen(burnt, elsewhere, List.of(1_400_000L, 3_400_000L), 1, measured))
        .containsExactly(1_400_000L);
  }
}
