package paringknife.core.frame;

/**
 * How a movement goes from its beginning to its end: a cubic Bézier curve from (0, 0) to (1, 1) by
 * its two handles, share of the time across, share of the way up (W3C, CSS Easing Functions Level
 * 1).
 *
 * @param x1 of the handle at the beginning, 0 to 1
 * @param y1 of the handle at the beginning, {@value #LOWEST} to {@value #HIGHEST}
 * @param x2 of the handle at the end, 0 to 1
 * @param y2 of the handle at the end, {@value #LOWEST} to {@value #HIGHEST}
 */
public record Curve(double x1, double y1, double x2, double y2) {
  private static final double LOWEST = -1;
  private static final double HIGHEST = 2;
  private static final int HALVINGS = 40;

  public static final Curve EVEN = new Curve(0, 0, 1, 1);
  public static final Curve SOFT = new Curve(0.42, 0, 0.58, 1);

  public Curve {
    boolean within = isWithin(x1, 0, 1) && isWithin(x2, 0, 1);
    if (!within || !isWithin(y1, LOWEST, HIGHEST) || !isWithin(y2, LOWEST, HIGHEST)) {
      throw new IllegalArgumentException("A curve's handles stay beside it.");
    }
  }

  private static boolean isWithin(double value, double least, double most) {
    return value >= least && value <= most;
  }

  /** The share of the way at a share of the time, 0 to 1. */
  public double at(double time) {
    if (time <= 0 || time >= 1) {
      return time <= 0 ? 0 : 1;
    }
    double from = 0;
    double to = 1;
    for (int i = 0; i < HALVINGS; i++) {
      double middle = (from + to) / 2;
      if (point(middle, x1, x2) < time) {
        from = middle;
      } else {
        to = middle;
      }
    }
    return point((from + to) / 2, y1, y2);
  }

  private static double point(double t, double first, double second) {
    double rest = 1 - t;
    return 3 * rest * rest * t * first + 3 * rest * t * t * second + t * t * t;
  }
}
