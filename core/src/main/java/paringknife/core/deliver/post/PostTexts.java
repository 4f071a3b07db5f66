package paringknife.core.deliver.post;

import java.text.BreakIterator;
import java.util.List;
import java.util.Locale;

/** The texts of a clip as one destination takes them. */
public record PostTexts(String title, String text, List<String> tags) {
  private static final String MORE = "…";

  /**
   * Texts shortened to what is taken: at the end of a sentence where more than half is kept, else
   * at the end of a word.
   *
   * @param longestTitle characters; 0 for no title
   * @param longestText characters; 0 for no text
   * @param mostTags 0 for none
   */
  public static PostTexts shortened(
      String title, Post post, int longestTitle, int longestText, int mostTags) {
    return new PostTexts(
        shortened(title, longestTitle),
        shortened(post.text(), longestText),
        post.tags().stream().limit(mostTags).toList());
  }

  private static String shortened(String text, int most) {
    if (text.codePointCount(0, text.length()) <= most) {
      return text;
    }
    if (most == 0) {
      return "";
    }
    String room = text.substring(0, text.offsetByCodePoints(0, most));
    int sentence = last(BreakIterator.getSentenceInstance(Locale.ROOT), text, room.length());
    if (sentence > room.length() / 2) {
      return text.substring(0, sentence).strip();
    }
    String less = text.substring(0, text.offsetByCodePoints(0, most - 1));
    int word = last(BreakIterator.getWordInstance(Locale.ROOT), text, less.length());
    String kept = word > less.length() / 2 ? text.substring(0, word).strip() : less;
    return kept + MORE;
  }

  /** The last boundary at or before a place. */
  private static int last(BreakIterator boundaries, String text, int place) {
    boundaries.setText(text);
    return boundaries.isBoundary(place) ? place : Math.max(0, boundaries.preceding(place));
  }
}
