package paringknife.demo;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is seen in an episode besides people who talk. Times in seconds; places as shares of the
 * scene.
 *
 * @param hasPortrait whether one hangs on the wall
 * @param lean null where nobody leans over
 * @param shots of the first camera, in order; the first from the beginning on
 * @param second what the second camera sees; null where there is none
 */
record Direction(
    boolean hasPortrait, @Nullable Lean lean, List<Shot> shots, @Nullable View second) {
  static final Direction PLAIN = new Direction(false, null, List.of(new Shot(0, View.WHOLE)), null);

  /** What a camera sees of the scene: so many times nearer, about a place. */
  record View(double nearer, double middleX, double middleY) {
    static final View WHOLE = new View(1, 0.5, 0.5);
  }

  /** What a camera sees from a time on. */
  record Shot(double from, View view) {}

  /**
   * Somebody leans over and points at something.
   *
   * @param voice who
   * @param angle how far, radians, clockwise
   */
  record Lean(int voice, double from, double to, double angle, double atX, double atY) {
    private static final double TAKES = 0.8;

    /** 0 upright to 1 leant over. */
    double shareAt(double t) {
      double share = Math.min(1, Math.max(0, Math.min(t - from, to - t) / TAKES));
      return share * share * (3 - 2 * share);
    }
  }
}
