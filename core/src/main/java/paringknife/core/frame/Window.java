package paringknife.core.frame;

/**
 * The part of the picture that shows, in pixels of the recording, fractions allowed.
 *
 * @param x left edge
 * @param y upper edge
 */
public record Window(double x, double y, double width, double height) {
  /** A window on the way to another; share 0 is here, 1 there. */
  Window towards(Window other, double share) {
    return new Window(
        x + share * (other.x - x),
        y + share * (other.y - y),
        width + share * (other.width - width),
        height + share * (other.height - height));
  }

  Window movedBy(double across, double down) {
    return across == 0 && down == 0 ? this : new Window(x + across, y + down, width, height);
  }

  public double middleX() {
    return x + width / 2;
  }

  public double middleY() {
    return y + height / 2;
  }

  /**
   * The window nearer by a factor; a point of it stays where it is in what is seen.
   *
   * @param across the point, as a share of the width
   * @param down the point, as a share of the height
   */
  Window nearer(double factor, double across, double down) {
    double wide = width / factor;
    double high = height / factor;
    return new Window(x + across * (width - wide), y + down * (height - high), wide, high);
  }
}
