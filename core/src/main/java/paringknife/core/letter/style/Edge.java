package paringknife.core.letter.style;

/**
 * An outline around letters, pixels on a picture 1080 pixels wide.
 *
 * @param width 0 to 40
 * @param softness 0 to 30; how far it is blurred
 */
public record Edge(Colour colour, double width, double softness) {
  public Edge {
    Bounds.check(width, 0, 40, "An outline's width");
    Bounds.check(softness, 0, 30, "An outline's softness");
  }
}
