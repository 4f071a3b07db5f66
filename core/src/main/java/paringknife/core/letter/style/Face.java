package paringknife.core.letter.style;

/**
 * The face that text is set in. Lengths are in pixels on a picture 1080 pixels wide.
 *
 * @param family as the font file states it
 * @param size height of the font, 20 to 400
 * @param bold whether the bold face of the family is asked for
 * @param italic whether the italic face of the family is asked for
 * @param letterCase how text is set whatever it is written in
 * @param spacing added between letters, -20 to 60
 * @param width of letters as a share of their own, 0.5 to 2
 * @param slant how far letters lean to the right, as a share of their height, -0.5 to 0.5
 * @param lineHeight from line to line, as a share of the size, 0.6 to 2
 */
public record Face(
    String family,
    double size,
    boolean bold,
    boolean italic,
    LetterCase letterCase,
    double spacing,
    double width,
    double slant,
    double lineHeight) {
  public static final double SMALLEST = 20;
  private static final double LARGEST = 400;

  /** How text is set whatever it is written in. */
  public enum LetterCase {
    AS_WRITTEN,
    CAPITALS,
    SMALL
  }

  public Face {
    Bounds.check(size, SMALLEST, LARGEST, "Size");
    Bounds.check(spacing, -20, 60, "Letter spacing");
    Bounds.check(width, 0.5, 2, "Width of letters");
    Bounds.check(slant, -0.5, 0.5, "Slant");
    Bounds.check(lineHeight, 0.6, 2, "Line spacing");
    if (family.isBlank() || family.length() > 100 || family.matches(".*[,{}\\\\\\p{Cntrl}].*")) {
      throw new IllegalArgumentException("Choose one of the fonts.");
    }
  }

  public static Face of(String family, double size) {
    return new Face(family, size, false, false, LetterCase.AS_WRITTEN, 0, 1, 0, 1);
  }

  public Face withSize(double changed) {
    return new Face(family, changed, bold, italic, letterCase, spacing, width, slant, lineHeight);
  }

  public Face asBold() {
    return new Face(family, size, true, italic, letterCase, spacing, width, slant, lineHeight);
  }

  public Face asItalic() {
    return new Face(family, size, bold, true, letterCase, spacing, width, slant, lineHeight);
  }

  public Face in(LetterCase changed) {
    return new Face(family, size, bold, italic, changed, spacing, width, slant, lineHeight);
  }

  public Face spaced(double between, double lines) {
    return new Face(family, size, bold, italic, letterCase, between, width, slant, lines);
  }

  /** The same in another size, as far as there are sizes. */
  public Face larger(double factor) {
    return withSize(Math.max(SMALLEST, Math.min(LARGEST, size * factor)));
  }
}
