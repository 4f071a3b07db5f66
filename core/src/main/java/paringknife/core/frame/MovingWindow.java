package paringknife.core.frame;

import paringknife.core.time.Span;

/**
 * A part of the picture that follows somebody.
 *
 * @param span on the episode's clock
 * @param person index of the person followed
 * @param originUs time of the first position, on the episode's clock
 * @param x left edge at every {@value #STEP_US} microseconds from there on
 * @param y upper edge likewise
 */
public record MovingWindow(
    Span span, int person, long originUs, double[] x, double[] y, double width, double height)
    implements PlannedWindow {
  /** Time from one position to the next, microseconds. */
  public static final long STEP_US = 200_000;

  /**
   * Positions are the corners of a quadratic B-spline: speed changes evenly over a step, the path
   * stays within its corners, and what stands still stands still (de Boor, "A practical guide to
   * splines", 1978).
   */
  @Override
  public Window at(long us) {
    double place = (us - originUs) / (double) STEP_US;
    return new Window(softened(x, place), softened(y, place), width, height);
  }

  private static double softened(double[] positions, double place) {
    double within = Math.max(0, Math.min(positions.length - 1, place));
    int nearest = (int) Math.round(within);
    double off = within - nearest;
    double before = positions[Math.max(0, nearest - 1)];
    double here = positions[nearest];
    double after = positions[Math.min(positions.length - 1, nearest + 1)];
    // Written as differences, so that equal positions give that position to the last bit.
    return here
        + (0.5 - off) * (0.5 - off) / 2 * (before - here)
        + (0.5 + off) * (0.5 + off) / 2 * (after - here);
  }

  @Override
  public MovingWindow during(Span stretch) {
    return new MovingWindow(stretch, person, originUs, x, y, width, height);
  }
}
