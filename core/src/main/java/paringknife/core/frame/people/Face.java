package paringknife.core.frame.people;

import org.jspecify.annotations.Nullable;

/**
 * A face in one picture; all lengths as shares of the picture's width and height.
 *
 * @param x left edge
 * @param y upper edge
 * @param mouthMotion how much the mouth moved since the picture before, beyond the rest of the
 *     face; mean difference of grey values, 0 to 255
 * @param appearance what they look like, where it was looked at
 */
public record Face(
    double x,
    double y,
    double width,
    double height,
    double mouthMotion,
    @Nullable Appearance appearance) {
  public Face(double x, double y, double width, double height, double mouthMotion) {
    this(x, y, width, height, mouthMotion, null);
  }

  public double middleX() {
    return x + width / 2;
  }

  /** Height of the eyes in the picture: about 0.42 of a detected face's box (common practice). */
  public double eyesY() {
    return y + 0.42 * height;
  }

  /** How much of both is in both: intersection over union. */
  public double overlap(Face other) {
    double w = Math.min(x + width, other.x + other.width) - Math.max(x, other.x);
    double h = Math.min(y + height, other.y + other.height) - Math.max(y, other.y);
    if (w <= 0 || h <= 0) {
      return 0;
    }
    return w * h / (width * height + other.width * other.height - w * h);
  }

  /** A face on the way to another place and size; share 0 is here, 1 there. */
  public Face towards(Face other, double share) {
    return new Face(
        x + share * (other.x - x),
        y + share * (other.y - y),
        width + share * (other.width - width),
        height + share * (other.height - height),
        mouthMotion);
  }
}
