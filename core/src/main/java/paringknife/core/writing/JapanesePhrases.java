package paringknife.core.writing;

import java.lang.Character.UnicodeScript;

/**
 * Phrases of Japanese (bunsetsu): a word with the particles and endings that follow it, which are
 * written in hiragana. A line does not begin within one (common practice of Japanese subtitles;
 * that what begins with hiragana goes on is a rule of thumb, from memory).
 */
public final class JapanesePhrases {
  private JapanesePhrases() {}

  /** Whether a word goes on with the phrase of the one before it. */
  public static boolean goesOn(String before, String after) {
    if (before.isEmpty() || after.isEmpty()) {
      return false;
    }
    int last = before.codePointBefore(before.length());
    return UnicodeScript.of(after.codePointAt(0)) == UnicodeScript.HIRAGANA
        && !Unspaced.isPunctuation(last)
        && Unspaced.is(last);
  }
}
