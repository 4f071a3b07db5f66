package paringknife.core.dress;

import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.SafeArea;

/**
 * A picture that stands in a corner of the film from its first frame to its last, within what the
 * destination leaves free.
 *
 * @param picture names the file: SHA-256 of it, in hexadecimal digits
 * @param aspect width of the picture for one of its height
 * @param size area that it takes, as a square's side in shares of the canvas's shorter side, 0.04
 *     to 0.5: flat and tall ones look alike large
 * @param opacity 0.1 to 1
 */
public record Logo(String picture, double aspect, Corner corner, double size, double opacity) {
  private static final double WIDEST = 0.6;

  /** Beyond this ratio either way a picture is no logo. */
  public static final double FLATTEST = 20;

  /** Where it stands. */
  public enum Corner {
    TOP_LEFT,
    TOP_RIGHT,
    BOTTOM_LEFT,
    BOTTOM_RIGHT;

    private boolean isLeft() {
      return this == TOP_LEFT || this == BOTTOM_LEFT;
    }

    private boolean isTop() {
      return this == TOP_LEFT || this == TOP_RIGHT;
    }
  }

  public Logo {
    if (picture == null || !picture.matches("[0-9a-f]{64}") || corner == null) {
      throw new IllegalArgumentException("A logo needs a picture and a corner.");
    }
    if (!(aspect >= 1 / FLATTEST && aspect <= FLATTEST)) {
      throw new IllegalArgumentException("A logo is up to 20 times as wide as high, or as high.");
    }
    if (!(size >= 0.04 && size <= 0.5)) {
      throw new IllegalArgumentException("A logo's size is from 4 to 50 %.");
    }
    if (!(opacity >= 0.1 && opacity <= 1)) {
      throw new IllegalArgumentException("A logo's opacity is from 10 to 100 %.");
    }
  }

  /** Where it stands on a canvas. */
  public Obstacles.StandingBox on(Canvas canvas) {
    double side = size * Math.min(canvas.width(), canvas.height());
    double wide = Math.min(side * Math.sqrt(aspect), WIDEST * canvas.width());
    double high = Math.min(wide / aspect, WIDEST * canvas.height());
    double width = high * aspect / canvas.width();
    double height = high / canvas.height();
    SafeArea safe = canvas.safe();
    return new Obstacles.StandingBox(
        corner.isLeft() ? safe.left() : 1 - safe.right() - width,
        corner.isTop() ? safe.top() : 1 - safe.bottom() - height,
        width,
        height);
  }
}
