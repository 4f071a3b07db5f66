package paringknife.core.frame;

import java.math.BigInteger;

/** An aspect ratio such as 9:16, neither side more than {@value #MOST} times the other. */
public record Shape(int width, int height) {
  private static final int MOST = 4;

  public Shape {
    if (width <= 0 || height <= 0) {
      throw new IllegalArgumentException("a shape needs a positive width and height");
    }
    if (width > (long) MOST * height || height > (long) MOST * width) {
      throw new IllegalArgumentException(
          "no side of a shape is more than " + MOST + " times as long as the other");
    }
  }

  /** The shape of a picture, in lowest terms. */
  public static Shape of(int width, int height) {
    int common =
        BigInteger.valueOf(width).gcd(BigInteger.valueOf(height)).max(BigInteger.ONE).intValue();
    return new Shape(width / common, height / common);
  }

  /** Reads {@code 9:16}. */
  public static Shape parse(String text) {
    String[] parts = text.split(":");
    if (parts.length != 2) {
      throw new IllegalArgumentException("a shape is written like 9:16, not \"" + text + "\"");
    }
    try {
      return new Shape(Integer.parseInt(parts[0].trim()), Integer.parseInt(parts[1].trim()));
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("a shape is written like 9:16, not \"" + text + "\"");
    }
  }

  /** Whether another one is as wide for its height. */
  public boolean isLike(Shape other) {
    return (long) width * other.height == (long) height * other.width;
  }

  public double ratio() {
    return width / (double) height;
  }

  @Override
  public String toString() {
    return width + ":" + height;
  }
}
