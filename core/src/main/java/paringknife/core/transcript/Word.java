package paringknife.core.transcript;

import java.util.Set;
import paringknife.core.time.Span;

/**
 * One spoken word.
 *
 * @param id identity within the transcript; survives correction
 * @param text as printed, punctuation included
 * @param startUs start on the episode's clock, microseconds
 * @param endUs end on the episode's clock, microseconds
 * @param speaker index into the transcript's speakers; -1 when unknown
 * @param confidence the recogniser's confidence, 0 to 1; 1 when a person typed or accepted it
 */
public record Word(long id, String text, long startUs, long endUs, int speaker, double confidence) {
  public Word {
    if (endUs < startUs) {
      throw new IllegalArgumentException("word \"" + text + "\" ends before it starts");
    }
  }

  public Span span() {
    return new Span(startUs, endUs);
  }

  public Word withText(String corrected) {
    return new Word(id, corrected, startUs, endUs, speaker, 1.0);
  }

  /**
   * As much of it as is said by then.
   *
   * @param us not before it starts, microseconds
   */
  public Word endingBy(long us) {
    return endUs <= us ? this : new Word(id, text, startUs, us, speaker, confidence);
  }

  /** Whether a person typed or accepted it. */
  public boolean isLookedAt() {
    return confidence >= 1;
  }

  public Word withSpeaker(int changed) {
    return new Word(id, text, startUs, endUs, changed, confidence);
  }

  /** Lower case without punctuation at either side; the apostrophe inside a word stays. */
  public String bare() {
    int from = 0;
    int to = text.length();
    while (from < to && !Character.isLetterOrDigit(text.charAt(from))) {
      from++;
    }
    while (to > from && !Character.isLetterOrDigit(text.charAt(to - 1))) {
      to--;
    }
    return text.substring(from, to).toLowerCase(java.util.Locale.ROOT).replace('\u2019', '\'');
  }

  private static final String CLOSING = "\"')]\u201d\u2019\u300d\u300f\uff09\u300b";

  /** Of Latin, Arabic, Chinese and Japanese, and Hindi. */
  private static final String SENTENCE_ENDS = ".?!\u2026\u061f\u06d4\u3002\uff1f\uff01\uff61\u0964";

  private static final String CLAUSE_ENDS =
      ",;:\u2013\u2014\u060c\u061b\u3001\uff0c\uff1b\uff1a\uff64";

  /** English words that are written with a full stop wherever they stand (common practice). */
  private static final Set<String> ABBREVIATED =
      Set.of(
          "mr", "mrs", "ms", "dr", "st", "prof", "sr", "jr", "vs", "approx", "fig", "vol", "capt",
          "lt", "col", "gen", "rev", "e.g", "i.e");

  /**
   * Whether the word closes a sentence by its punctuation; an abbreviation or an initial does not.
   */
  public boolean endsSentence() {
    if (text.endsWith(".")
        && !text.endsWith("..")
        && (isInitial() || ABBREVIATED.contains(bare()))) {
      return false;
    }
    int last = text.length() - 1;
    while (last >= 0 && CLOSING.indexOf(text.charAt(last)) >= 0) {
      last--;
    }
    return last >= 0 && SENTENCE_ENDS.indexOf(text.charAt(last)) >= 0;
  }

  /** A single capital with a full stop; a sentence may well end in "I." */
  private boolean isInitial() {
    return text.length() == 2
        && text.charAt(0) >= 'A'
        && text.charAt(0) <= 'Z'
        && text.charAt(0) != 'I';
  }

  /** Whether the word closes a clause (comma, semicolon, colon, dash) or a sentence. */
  public boolean endsClause() {
    int last = text.length() - 1;
    return endsSentence() || (last >= 0 && CLAUSE_ENDS.indexOf(text.charAt(last)) >= 0);
  }
}
