package paringknife.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import paringknife.core.clip.cut.CutList;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueBreaker;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.letter.style.Colour;
import paringknife.core.letter.style.Fill;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.CaptionFonts;

/** How long captions of two hours take to break anew, and how fast each lettering is drawn. */
final class CaptionBench {
  private static final double BREAKING_BUDGET_MS = 300;
  private static final long TWO_HOURS_US = 7_200_000_000L;
  private static final int SECONDS = 20;
  private static final int RUNS = 9;
  private static final List<String> JAPANESE =
      List.of("水車小屋では", "昔から", "同じ石を", "使って", "粉を", "挽いて", "いますが、", "最近は", "静かです。");

  private CaptionBench() {}

  static void run(Path work) throws IOException {
    Transcript spoken = ThreeHours.spoken();
    Transcript transcript =
        spoken.withWords(spoken.words().stream().filter(w -> w.endUs() < TWO_HOURS_US).toList());
    CutList whole = new CutList(List.of(new Span(0, TWO_HOURS_US)), List.of());
    for (Lettering lettering : List.of(Letterings.SLUICE, Letterings.MATINEE, Letterings.LECTERN)) {
      breaking(lettering, whole, transcript);
      writing(lettering, whole, transcript);
    }
    System.out.println("in Japanese:");
    Transcript japanese = inJapanese(transcript);
    breaking(Letterings.MATINEE, whole, japanese);
    writing(Letterings.MATINEE, whole, japanese);
    CutList start = new CutList(List.of(new Span(0, SECONDS * 1_000_000L)), List.of());
    Path fonts = new CaptionFonts(work.resolve("fonts")).directory();
    double plain = drawing("", work, fonts);
    List<Lettering> letterings = new ArrayList<>(Letterings.all());
    letterings.add(inTwoColours(Letterings.SLUICE));
    for (Lettering lettering : letterings) {
      List<Cue> cues = new CueBreaker(lettering.breaking()).cues(start, transcript);
      String script =
          new AssScript(lettering.style(), new Canvas(1080, 1920, SafeArea.VERTICAL)).write(cues);
      double drawn = drawing(script, work, fonts);
      System.out.printf(
          Locale.ROOT,
          "captions in %s: drawn %.1f times as fast as they are heard, %d kB of script a minute%n",
          lettering.name(),
          SECONDS / Math.max(0.001, drawn - plain),
          script.length() * 60 / SECONDS / 1000);
    }
  }

  /** The heaviest there is: every line is drawn in strips, anew with every word, and blurred. */
  private static Lettering inTwoColours(Lettering lettering) {
    Fill fill = new Fill(Colour.rgb(0xF2B35B), 4);
    return new Lettering(
        lettering.id(),
        lettering.name() + " in two colours, soft",
        lettering.style().withFill(fill),
        lettering.breaking());
  }

  /** Invented: as many words as in English, at the same times. */
  private static Transcript inJapanese(Transcript transcript) {
    List<Word> words = new ArrayList<>();
    for (Word word : transcript.words()) {
      words.add(word.withText(JAPANESE.get(words.size() % JAPANESE.size())));
    }
    return transcript.withWords(words);
  }

  private static void breaking(Lettering lettering, CutList whole, Transcript transcript) {
    double[] took = new double[RUNS];
    int cues = 0;
    for (int i = 0; i < took.length; i++) {
      long from = System.nanoTime();
      cues = new CueBreaker(lettering.breaking()).cues(whole, transcript).size();
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    Arrays.sort(took);
    System.out.printf(
        Locale.ROOT,
        "two hours (%,d words) broken anew for %s: %,d captions, %.2f of %.0f ms at the median%n",
        transcript.words().size(),
        lettering.name(),
        cues,
        took[RUNS / 2] / BREAKING_BUDGET_MS,
        BREAKING_BUDGET_MS);
  }

  /** The script of all captions, as the plate asks for it after every edit. */
  private static void writing(Lettering lettering, CutList whole, Transcript transcript) {
    List<Cue> cues = new CueBreaker(lettering.breaking()).cues(whole, transcript);
    Canvas canvas = new Canvas(1080, 1920, SafeArea.VERTICAL);
    double[] took = new double[RUNS];
    for (int i = 0; i < took.length; i++) {
      long from = System.nanoTime();
      new AssScript(lettering.style(), canvas).write(cues);
      took[i] = (System.nanoTime() - from) / 1e6;
    }
    Arrays.sort(took);
    System.out.printf(
        Locale.ROOT,
        "their script written: %.2f of %.0f ms at the median%n",
        took[RUNS / 2] / BREAKING_BUDGET_MS,
        BREAKING_BUDGET_MS);
  }

  /**
   * Seconds that libass takes for captions on a plain picture; without a script the picture alone.
   */
  private static double drawing(String script, Path work, Path fonts) throws IOException {
    Files.writeString(work.resolve("captions.ass"), script);
    String drawn =
        script.isEmpty()
            ? "format=gbrp"
            : "format=gbrp,ass=captions.ass:fontsdir=" + work.relativize(fonts);
    double best = Double.MAX_VALUE;
    for (int i = 0; i < 2; i++) {
      long from = System.nanoTime();
      ChildProcess.run(
          List.of(
              "ffmpeg",
              "-nostdin",
              "-v",
              "error",
              "-f",
              "lavfi",
              "-i",
              "color=c=gray:s=1080x1920:r=25:d=" + SECONDS,
              "-vf",
              drawn,
              "-f",
              "null",
              "-"),
          work,
          Duration.ofMinutes(5));
      best = Math.min(best, (System.nanoTime() - from) / 1e9);
    }
    return best;
  }
}
