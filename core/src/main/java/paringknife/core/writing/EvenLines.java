package paringknife.core.writing;

import java.util.ArrayList;
import java.util.List;

/** Parts a text that stands by itself into lines of about the same length. */
public final class EvenLines {
  private static final String MORE = "…";

  private EvenLines() {}

  /**
   * Lines none of which is longer than asked for unless a word is.
   *
   * @param characters of a line
   * @param most lines; what is more is left out, and shown to be
   */
  public static List<String> of(String text, int characters, int most) {
    int count = (text.length() + characters - 1) / characters;
    int even = Math.max(1, text.length() / Math.max(1, count));
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : WordsOfText.of(text)) {
      boolean isFull = line.length() >= even || line.length() + 1 + word.length() > characters;
      if (!line.isEmpty() && isFull) {
        lines.add(line.toString());
        line.setLength(0);
      }
      line.append(line.isEmpty() ? "" : " ").append(word);
    }
    lines.add(line.toString());
    if (lines.size() > most) {
      lines.subList(most, lines.size()).clear();
      lines.set(most - 1, lines.get(most - 1) + MORE);
    }
    return lines;
  }
}
