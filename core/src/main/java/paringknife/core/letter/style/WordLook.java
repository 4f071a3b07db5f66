package paringknife.core.letter.style;

import org.jspecify.annotations.Nullable;

/**
 * How a word is drawn beyond how its caption is.
 *
 * @param colour null for the caption's
 */
public record WordLook(
    @Nullable Colour colour,
    double scale,
    boolean italic,
    boolean isUnderlined,
    boolean isBoxed,
    boolean isHidden) {
  public static final WordLook PLAIN = new WordLook(null, 1, false, false, false, false);
  public static final WordLook HIDDEN = new WordLook(null, 1, false, false, false, true);

  WordLook in(Colour changed) {
    return new WordLook(changed, scale, italic, isUnderlined, isBoxed, isHidden);
  }

  WordLook scaled(double changed) {
    return new WordLook(colour, changed, italic, isUnderlined, isBoxed, isHidden);
  }

  WordLook underlined() {
    return new WordLook(colour, scale, italic, true, isBoxed, isHidden);
  }

  WordLook boxed() {
    return new WordLook(colour, scale, italic, isUnderlined, true, isHidden);
  }

  /** Hidden, whatever it looks like. */
  public WordLook hidden() {
    return new WordLook(colour, scale, italic, isUnderlined, isBoxed, true);
  }

  /** In a colour where it has none. */
  public WordLook tinted(Colour tint) {
    return colour == null ? in(tint) : this;
  }

  /** On top of how the word differs anyway; a mark's colour counts. */
  public WordLook over(WordStyle own) {
    return new WordLook(
        colour == null ? own.colour() : colour,
        scale * own.scale(),
        italic || own.italic(),
        isUnderlined,
        isBoxed,
        isHidden);
  }
}
