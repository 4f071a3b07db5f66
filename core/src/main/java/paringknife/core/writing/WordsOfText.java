package paringknife.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.ServiceLoader;
import java.util.regex.Pattern;

/**
 * The words of a text in any script: parted by white space, and in scripts that have none by a
 * dictionary. Closing marks stay with the word before them and opening ones with the word after, so
 * that no line begins with a full stop or ends with an opening quote (JIS X 4051, line breaking).
 */
public final class WordsOfText {
  private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Z}]{1,200}");

  /** Longer runs without a blank are looked at piece by piece. */
  private static final int PIECE = 1_000;

  private static final WordBoundaries BOUNDARIES =
      ServiceLoader.load(WordBoundaries.class, WordsOfText.class.getClassLoader())
          .findFirst()
          .orElse(WordsOfText::letterByLetter);

  private WordsOfText() {}

  /** In order; none of a text of blanks. */
  public static List<String> of(String text) {
    List<String> words = new ArrayList<>();
    for (String token : BLANKS.split(text)) {
      if (token.codePoints().noneMatch(Unspaced::is)) {
        if (!token.isEmpty()) {
          words.add(token);
        }
        continue;
      }
      for (int from = 0; from < token.length(); ) {
        int to = Math.min(token.length(), from + PIECE);
        if (to < token.length() && Character.isHighSurrogate(token.charAt(to - 1))) {
          to--;
        }
        words.addAll(withMarks(BOUNDARIES.parts(token.substring(from, to))));
        from = to;
      }
    }
    return words;
  }

  private static List<String> withMarks(List<String> parts) {
    List<String> words = new ArrayList<>();
    StringBuilder opening = new StringBuilder();
    for (String part : parts) {
      int first = part.codePointAt(0);
      if (opens(first)) {
        opening.append(part);
      } else if (Character.isLetterOrDigit(first) || words.isEmpty() || !opening.isEmpty()) {
        words.add(opening + part);
        opening.setLength(0);
      } else {
        int last = words.size() - 1;
        words.set(last, words.get(last) + part);
      }
    }
    if (!opening.isEmpty()) {
      words.add(opening.toString());
    }
    return words;
  }

  private static boolean opens(int c) {
    int kind = Character.getType(c);
    return kind == Character.START_PUNCTUATION || kind == Character.INITIAL_QUOTE_PUNCTUATION;
  }

  private static List<String> letterByLetter(String text) {
    return text.codePoints().mapToObj(Character::toString).toList();
  }
}
