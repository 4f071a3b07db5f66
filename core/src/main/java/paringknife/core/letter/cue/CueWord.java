package paringknife.core.letter.cue;

import paringknife.core.letter.style.WordStyle;
import paringknife.core.time.Span;

/**
 * A word as it stands in a caption.
 *
 * @param span when it is heard, on the clip's clock
 * @param style how it differs from the others
 * @param isKey whether it stands out as key words do
 * @param speaker who says it, by index; -1 for nobody known
 */
public record CueWord(
    String text, Span span, long wordId, WordStyle style, boolean isKey, int speaker) {
  /** One like the others, whoever says it. */
  public CueWord(String text, Span span, long wordId) {
    this(text, span, wordId, WordStyle.PLAIN, false, -1);
  }
}
