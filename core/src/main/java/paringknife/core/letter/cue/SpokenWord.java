package paringknife.core.letter.cue;

import org.jspecify.annotations.Nullable;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.WordStyle;
import paringknife.core.time.Span;
import paringknife.core.transcript.Word;

/**
 * A word that is heard in a clip, as a caption is to show it.
 *
 * @param span when it is heard, on the clip's clock
 * @param seamUs where the next seam ends what it belongs to, on the clip's clock
 * @param shown how it is shown
 * @param wishes what a producer wants of it
 */
record SpokenWord(Word word, Span span, long seamUs, Shown shown, Wishes wishes) {

  /**
   * How a word is shown.
   *
   * @param style how it differs from the others
   * @param place where the caption stands that it begins; null for where all do
   */
  record Shown(String text, WordStyle style, boolean isKey, @Nullable Place place) {
    Shown with(WordStyle changed) {
      return new Shown(text, changed, isKey, place);
    }

    Shown asKey() {
      return new Shown(text, style, true, place);
    }

    Shown at(Place changed) {
      return new Shown(text, style, isKey, changed);
    }
  }

  /**
   * What a producer wants of the breaks at a word, and of the times of a caption that it begins or
   * ends.
   *
   * @param opens a caption begins with it
   * @param goesOn none does
   * @param closes a caption ends with it
   * @param opensLine a line begins with it
   * @param staysOnLine it stands on the line of the word before it
   * @param startUs how much later than the word its caption begins
   * @param endUs how much later than the word its caption ends; {@link #AS_PROPOSED} for as usual
   */
  record Wishes(
      boolean opens,
      boolean goesOn,
      boolean closes,
      boolean opensLine,
      boolean staysOnLine,
      long startUs,
      long endUs) {
    static final long AS_PROPOSED = Long.MIN_VALUE;
    static final Wishes NONE = new Wishes(false, false, false, false, false, 0, AS_PROPOSED);

    Wishes opening(boolean changed) {
      return new Wishes(changed, !changed, closes, opensLine, staysOnLine, startUs, endUs);
    }

    Wishes closing() {
      return new Wishes(opens, goesOn, true, opensLine, staysOnLine, startUs, endUs);
    }

    Wishes openingLine(boolean changed) {
      return new Wishes(opens, goesOn || !changed, closes, changed, !changed, startUs, endUs);
    }

    Wishes beginning(long laterUs) {
      return new Wishes(opens, goesOn, closes, opensLine, staysOnLine, laterUs, endUs);
    }

    Wishes ending(long laterUs) {
      return new Wishes(opens, goesOn, closes, opensLine, staysOnLine, startUs, laterUs);
    }
  }

  SpokenWord(Word word, Span span, long seamUs) {
    this(word, span, seamUs, new Shown(word.text(), WordStyle.PLAIN, false, null), Wishes.NONE);
  }

  String text() {
    return shown.text();
  }

  SpokenWord shownAs(String changed) {
    return showing(new Shown(changed, shown.style(), shown.isKey(), shown.place()));
  }

  SpokenWord showing(Shown changed) {
    return new SpokenWord(word, span, seamUs, changed, wishes);
  }

  SpokenWord wishing(Wishes changed) {
    return new SpokenWord(word, span, seamUs, shown, changed);
  }

  /** How it stands in a caption. */
  CueWord inCue() {
    return new CueWord(text(), span, word.id(), shown.style(), shown.isKey(), word.speaker());
  }

  /** Whether its text closes a sentence. */
  boolean endsSentence() {
    return asShown().endsSentence();
  }

  boolean endsClause() {
    return asShown().endsClause();
  }

  /** The word as its text stands. */
  Word asShown() {
    return text().equals(word.text()) ? word : word.withText(text());
  }
}
