package paringknife.core.letter.style;

/**
 * What letters throw on the picture, pixels on a picture 1080 pixels wide.
 *
 * @param right how far to the right, -60 to 60
 * @param down how far down, -60 to 60
 * @param softness 0 to 40
 */
public record Shadow(Colour colour, double right, double down, double softness) {
  public static final Shadow NONE = new Shadow(Colour.NONE, 0, 0, 0);

  public Shadow {
    Bounds.check(right, -60, 60, "A shadow's place");
    Bounds.check(down, -60, 60, "A shadow's place");
    Bounds.check(softness, 0, 40, "A shadow's softness");
  }
}
