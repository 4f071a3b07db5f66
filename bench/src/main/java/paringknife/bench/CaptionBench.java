package paringknife.bench;

import java.io.IOException;
import java.nio.file.Path;
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
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** How long captions of two hours take to break anew, and how fast each lettering is drawn. */
final class CaptionBench {
  private static final double BREAKING_BUDGET_MS = 300;
  private static final long TWO_HOURS_US = 7_200_000_000L;
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
    BurningBench.run(transcript, work);
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
}
