package paringknife.core.deliver.post;

import java.util.Map;
import java.util.function.UnaryOperator;
import paringknife.core.writing.FieldPattern;

/**
 * How a show's texts are proposed: text with fields in braces, over several lines where it likes.
 *
 * @param text up to {@value #LONGEST} characters
 */
public record PostPattern(String text) {
  static final int LONGEST = 1_000;

  /** What is said in the clip, and by whom. */
  public static final PostPattern USUAL = new PostPattern("{text}");

  /** What a text can be made of. */
  public enum Field {
    /** The strongest sentence, who says it, and the show. */
    TEXT,
    TITLE,
    SHOW,
    EPISODE
  }

  public PostPattern {
    text = text == null ? "" : text.strip();
    if (text.length() > LONGEST) {
      throw new IllegalArgumentException(
          "A pattern of texts has up to " + LONGEST + " characters.");
    }
    if (new FieldPattern<>(text, Field.class).count() == 0) {
      throw new IllegalArgumentException(
          "A pattern of texts needs a field such as {text}, or all texts would be one.");
    }
  }

  /** What is posted with a clip by this pattern, for what was proposed of its words. */
  public Post of(Post proposed, String title, String show, String episode) {
    Map<Field, String> values =
        Map.of(
            Field.TEXT, proposed.text(),
            Field.TITLE, title,
            Field.SHOW, show,
            Field.EPISODE, episode);
    String filled =
        new FieldPattern<>(text, Field.class).filled(values, UnaryOperator.identity()).strip();
    int end = Math.min(filled.length(), Post.LONGEST_TEXT);
    boolean halves = end < filled.length() && Character.isHighSurrogate(filled.charAt(end - 1));
    return new Post(filled.substring(0, halves ? end - 1 : end), proposed.tags());
  }
}
