package paringknife.core.frame;

/** An aspect ratio such as 9:16. */
public record Shape(int width, int height) {
  public Shape {
    if (width <= 0 || height <= 0) {
      throw new IllegalArgumentException("a shape needs a positive width and height");
    }
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

  public double ratio() {
    return width / (double) height;
  }

  @Override
  public String toString() {
    return width + ":" + height;
  }
}
