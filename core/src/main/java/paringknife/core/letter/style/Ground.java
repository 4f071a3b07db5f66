package paringknife.core.letter.style;

/**
 * A box behind the text, pixels on a picture 1080 pixels wide.
 *
 * @param extent of what; a colour that is not seen is no box
 * @param padding around the text, 0 to 80
 * @param radius of its corners, 0 to 80
 */
public record Ground(Extent extent, Colour colour, double padding, double radius) {
  public static final Ground NONE = new Ground(Extent.LINE, Colour.NONE, 0, 0);

  /** Behind what a box stands. */
  public enum Extent {
    LINE,
    BLOCK
  }

  public Ground {
    Bounds.check(padding, 0, 80, "A box's padding");
    Bounds.check(radius, 0, 80, "A box's radius");
  }

  public boolean shows() {
    return colour.shows();
  }
}
