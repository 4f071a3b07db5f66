package paringknife.core.frame;

/**
 * Where a pane lies on the canvas, as shares of its width and height.
 *
 * @param x left edge
 * @param y upper edge
 */
public record Place(double x, double y, double width, double height) {
  public static final Place WHOLE = new Place(0, 0, 1, 1);

  /** The aspect ratio of a pane that lies here on a canvas of a shape. */
  double ratioOn(Shape shape) {
    return shape.ratio() * width / height;
  }
}
