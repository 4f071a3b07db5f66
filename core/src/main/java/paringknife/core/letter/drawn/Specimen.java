package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.CueWord;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;

/**
 * A lettering shown in a caption of its own: the one that shows it best, from its beginning, in the
 * middle of a square.
 *
 * @param script ASS v4+
 * @param lengthUs how long it lasts
 */
public record Specimen(String script, long lengthUs) {
  /** What a specimen is drawn on. */
  private static final Canvas SQUARE = new Canvas(1080, 1080, SafeArea.NONE);

  private static final int GOOD_LENGTH = 4;

  /** As many words too many are as bad as one line too few. */
  private static final int SHALLOW = 4;

  /** A lettering set in one of a clip's captions; without a caption, in its own name. */
  public static Specimen of(Lettering lettering, List<Cue> cues) {
    Cue best = Cue.given(new Span(0, 1_500_000), lettering.name());
    int least = Integer.MAX_VALUE;
    for (Cue cue : cues.subList(0, Math.min(cues.size(), 12))) {
      int wanted = Math.min(GOOD_LENGTH, lettering.breaking().words());
      boolean shallow = cue.lines().size() < Math.min(2, lettering.breaking().lines());
      int off = Math.abs(wanted - cue.words().size()) + (shallow ? SHALLOW : 0);
      if (off < least && !cue.isAdded()) {
        least = off;
        best = cue;
      }
    }
    Cue first = fromItsBeginning(best);
    double height = CaptionLayout.of(first, lettering.style(), SQUARE).height();
    Place middle = new Place(0.5, 0.5 + height / 2 / SQUARE.height());
    Style placed = lettering.style().withPlace(middle);
    return new Specimen(
        AssScript.write(
            SQUARE,
            List.of(new AssScript.Part(placed, List.of(first), AssScript.Part.borrowedBy(cues)))),
        first.span().lengthUs());
  }

  private static Cue fromItsBeginning(Cue cue) {
    long start = cue.span().startUs();
    return new Cue(
        moved(cue.span(), start),
        cue.lines().stream()
            .map(
                line ->
                    line.stream()
                        .map(
                            w ->
                                new CueWord(
                                    w.text(),
                                    moved(w.span(), start),
                                    w.wordId(),
                                    w.style(),
                                    w.isKey(),
                                    w.speaker()))
                        .toList())
            .toList());
  }

  private static Span moved(Span span, long earlierUs) {
    return new Span(Math.max(0, span.startUs() - earlierUs), Math.max(0, span.endUs() - earlierUs));
  }
}
