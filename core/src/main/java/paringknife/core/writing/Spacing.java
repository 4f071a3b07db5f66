package paringknife.core.writing;

import java.util.Iterator;
import java.util.List;

/**
 * Blanks between words: Chinese, Japanese, Thai, Lao, Khmer and Burmese are written without, Korean
 * and all others with them.
 */
public final class Spacing {
  private Spacing() {}

  /** Whether a blank stands between two words. */
  public static boolean isBetween(String before, String after) {
    if (before.isEmpty() || after.isEmpty()) {
      return true;
    }
    int last = before.codePointBefore(before.length());
    int first = after.codePointAt(0);
    boolean isLastUnspaced = Unspaced.is(last);
    boolean isFirstUnspaced = Unspaced.is(first);
    if (isLastUnspaced && isFirstUnspaced) {
      return false;
    }
    boolean isMeasured =
        Unspaced.isIdeographic(last) && Character.isDigit(first)
            || Character.isDigit(last) && Unspaced.isIdeographic(first);
    return !isMeasured && !Unspaced.isPunctuation(last) && !Unspaced.isPunctuation(first);
  }

  /** Words as a text. */
  public static String joined(List<String> words) {
    StringBuilder text = new StringBuilder();
    Iterator<String> all = words.iterator();
    String before = all.hasNext() ? all.next() : "";
    text.append(before);
    while (all.hasNext()) {
      String word = all.next();
      if (isBetween(before, word)) {
        text.append(' ');
      }
      text.append(word);
      before = word;
    }
    return text.toString();
  }
}
