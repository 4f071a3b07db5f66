package paringknife.core.writing;

import java.lang.Character.UnicodeScript;

/**
 * Room that a text takes in a line, in letters of the Latin alphabet: those that fill a square take
 * two (Unicode Standard Annex 11, East Asian Width: wide and full-width), marks that stand above or
 * below others take none.
 */
public final class Columns {
  private Columns() {}

  /** Columns of a text. */
  public static int of(String text) {
    int columns = 0;
    for (int i = 0; i < text.length(); ) {
      int c = text.codePointAt(i);
      columns += c < 0x300 ? 1 : of(c);
      i += Character.charCount(c);
    }
    return columns;
  }

  private static int of(int c) {
    int kind = Character.getType(c);
    if (kind == Character.NON_SPACING_MARK
        || kind == Character.ENCLOSING_MARK
        || kind == Character.FORMAT) {
      return 0;
    }
    return isWide(c) ? 2 : 1;
  }

  private static boolean isWide(int c) {
    if (c < 0x1100) {
      return false;
    }
    boolean isHalfWidth = c >= 0xFF61 && c <= 0xFFDC;
    return !isHalfWidth
        && (Unspaced.isIdeographic(c)
            || Unspaced.isPunctuation(c)
            || c >= 0xFF01 && c <= 0xFF60
            || UnicodeScript.of(c) == UnicodeScript.HANGUL
            || c >= 0x1F300 && c <= 0x1FAFF);
  }
}
