package paringknife.core.letter.drawn;

import paringknife.core.frame.Shape;

/**
 * What captions are drawn on.
 *
 * @param width in pixels
 * @param height in pixels
 * @param safe margins to keep out of
 */
public record Canvas(int width, int height, SafeArea safe) {
  private static final int STATED_WIDTH = 1080;

  /** A canvas of a shape for which there is no spec: its shorter side has 1080 pixels. */
  public static Canvas of(Shape shape) {
    double unit = STATED_WIDTH / (double) Math.min(shape.width(), shape.height());
    return new Canvas(even(unit * shape.width()), even(unit * shape.height()), SafeArea.PLAIN);
  }

  /**
   * The same, smaller.
   *
   * @param share over 0, up to 1
   */
  public Canvas smaller(double share) {
    return new Canvas(even(width * share), even(height * share), safe);
  }

  /** Its own, not in lowest terms. */
  public Shape shape() {
    return new Shape(width, height);
  }

  private static int even(double length) {
    return 2 * (int) Math.round(length / 2);
  }

  /** Pixels of this canvas for one of a lettering's (stated for a picture 1080 pixels wide). */
  public double scale() {
    return Math.min(width, height) / (double) STATED_WIDTH;
  }
}
