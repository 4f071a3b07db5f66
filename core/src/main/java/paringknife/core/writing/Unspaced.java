package paringknife.core.writing;

import java.lang.Character.UnicodeScript;
import java.util.EnumSet;
import java.util.Set;

/** Letters of scripts whose words stand without blanks between them. */
final class Unspaced {
  private static final Set<UnicodeScript> IDEOGRAPHIC =
      EnumSet.of(
          UnicodeScript.HAN,
          UnicodeScript.HIRAGANA,
          UnicodeScript.KATAKANA,
          UnicodeScript.BOPOMOFO);

  private static final Set<UnicodeScript> STACKED =
      EnumSet.of(UnicodeScript.THAI, UnicodeScript.LAO, UnicodeScript.KHMER, UnicodeScript.MYANMAR);

  private Unspaced() {}

  static boolean is(int codePoint) {
    if (codePoint < 0x0E00) {
      return false;
    }
    return isIdeographic(codePoint)
        || isPunctuation(codePoint)
        || STACKED.contains(UnicodeScript.of(codePoint));
  }

  /** Whether every letter of its script fills a square. */
  static boolean isIdeographic(int codePoint) {
    return codePoint >= 0x2E80
        && (IDEOGRAPHIC.contains(UnicodeScript.of(codePoint)) || codePoint == 0x30FC);
  }

  /** Full-width marks, which bring their own room. */
  static boolean isPunctuation(int codePoint) {
    return codePoint >= 0x3000 && codePoint <= 0x303F
        || codePoint >= 0xFF00 && codePoint <= 0xFFEF && !Character.isLetterOrDigit(codePoint);
  }
}
