package paringknife.core.frame.text;

/**
 * Where a line of text stands in a picture; all lengths as shares of its width and height.
 *
 * @param x left edge
 * @param y upper edge
 */
public record TextBox(double x, double y, double width, double height) {
  /** How much of both is in both: intersection over union. */
  public double overlap(TextBox other) {
    double across = Math.min(x + width, other.x + other.width) - Math.max(x, other.x);
    double down = Math.min(y + height, other.y + other.height) - Math.max(y, other.y);
    if (across <= 0 || down <= 0) {
      return 0;
    }
    double common = across * down;
    return common / (width * height + other.width * other.height - common);
  }
}
