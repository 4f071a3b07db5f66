package paringknife.core.letter.style;

import org.jspecify.annotations.Nullable;

/**
 * How single words differ from the others.
 *
 * @param colour null for that of the others
 * @param scale their size as a share of the others', 0.5 to 2.5
 * @param italic whether they are set in the italic face
 */
public record WordStyle(@Nullable Colour colour, double scale, boolean italic) {
  public static final WordStyle PLAIN = new WordStyle(null, 1, false);

  public WordStyle {
    Bounds.check(scale, 0.5, 2.5, "A word's size");
  }
}
