package paringknife.core.dress;

import paringknife.core.writing.OneLine;

/**
 * A few words that stand large in the picture while something is said.
 *
 * @param firstWord identity of the first word that it goes with
 * @param lastWord identity of the last
 * @param text up to {@value #LONGEST} characters
 */
public record CallOut(long firstWord, long lastWord, String text) {
  public static final int LONGEST = 120;

  public CallOut {
    text = OneLine.of(text);
    if (text.isEmpty() || text.length() > LONGEST) {
      throw new IllegalArgumentException("A call-out has from 1 to " + LONGEST + " characters.");
    }
  }
}
