package paringknife.core.frame;

/**
 * A window that a producer has placed, whatever the shape: shares of the picture.
 *
 * @param middleX its middle across
 * @param middleY its middle down
 * @param height its height, {@value #LEAST} to 1
 */
public record PlacedWindow(double middleX, double middleY, double height) {
  private static final double LEAST = 0.1;

  public PlacedWindow {
    boolean inside = middleX >= 0 && middleX <= 1 && middleY >= 0 && middleY <= 1;
    if (!inside || !(height >= LEAST && height <= 1)) {
      throw new IllegalArgumentException("A window lies within the picture.");
    }
  }

  /** The part of a picture that shows; moved inside it and made smaller where it must. */
  Window in(int pictureWidth, int pictureHeight, double ratio) {
    double most = Math.min(pictureHeight, pictureWidth / ratio);
    double high = Math.min(most, height * pictureHeight);
    double wide = high * ratio;
    double x = Math.max(0, Math.min(pictureWidth - wide, middleX * pictureWidth - wide / 2));
    double y = Math.max(0, Math.min(pictureHeight - high, middleY * pictureHeight - high / 2));
    return new Window(x, y, wide, high);
  }
}
