package paringknife.core.deliver.post;

import java.util.List;

/**
 * What is posted with a clip beside its title.
 *
 * @param text up to {@value #LONGEST_TEXT} characters
 * @param tags without a sign before them, letters and digits only, up to {@value #MOST_TAGS}
 */
public record Post(String text, List<String> tags) {
  static final int LONGEST_TEXT = 2_000;
  static final int MOST_TAGS = 60;
  private static final int LONGEST_TAG = 60;

  public Post {
    text = text.strip();
    if (text.length() > LONGEST_TEXT) {
      throw new IllegalArgumentException(
          "A text has up to " + LONGEST_TEXT + " characters; this one has " + text.length() + ".");
    }
    tags = tags.stream().map(Post::tag).filter(t -> !t.isEmpty()).distinct().toList();
    if (tags.size() > MOST_TAGS) {
      throw new IllegalArgumentException("A clip has up to " + MOST_TAGS + " tags.");
    }
  }

  /** A text as a tag: its letters, marks and digits, small. */
  public static String tag(String text) {
    StringBuilder tag = new StringBuilder();
    text.codePoints()
        .filter(
            c ->
                Character.isLetterOrDigit(c)
                    || Character.getType(c) == Character.NON_SPACING_MARK
                    || Character.getType(c) == Character.COMBINING_SPACING_MARK)
        .limit(LONGEST_TAG)
        .forEach(c -> tag.appendCodePoint(Character.toLowerCase(c)));
    return tag.toString();
  }
}
