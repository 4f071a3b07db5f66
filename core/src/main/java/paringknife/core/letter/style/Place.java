package paringknife.core.letter.style;

/**
 * Where captions stand, as shares of the picture's width and height.
 *
 * @param x middle of the text
 * @param y lower edge of the text
 */
public record Place(double x, double y) {
  public Place {
    Bounds.check(x, 0, 1, "A caption's place");
    Bounds.check(y, 0, 1, "A caption's place");
  }
}
