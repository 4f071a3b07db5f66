package paringknife.core.deliver.cover;

import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Lettering;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.style.Motion;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;
import paringknife.core.writing.EvenLines;

/**
 * A clip's title on its cover, in the lettering of its captions and clear of faces and of what is
 * laid over.
 */
public final class CoverHeading {
  private static final int MOST_LINES = 5;

  private static final int LEAST_CHARACTERS = 12;

  /** A cover is seen small. */
  private static final double LARGER = 1.5;

  private CoverHeading() {}

  /**
   * What draws it at the moment 0 (ASS v4+).
   *
   * @param obstacles what it keeps clear of
   */
  public static String script(
      String title, Lettering lettering, Canvas canvas, Obstacles obstacles) {
    int characters = (int) (lettering.breaking().characters() / LARGER);
    List<String> lines = EvenLines.of(title, Math.max(LEAST_CHARACTERS, characters), MOST_LINES);
    Style plain = lettering.style().withMark(new SpokenMark.Unmarked()).withMotion(Motion.NONE);
    Style style = plain.withFace(plain.face().larger(LARGER));
    Cue words = Cue.given(new Span(0, 1_000_000), String.join("\n", lines));
    return AssScript.write(
        canvas, List.of(AssScript.clearOf(obstacles, style, canvas, List.of(words))));
  }
}
