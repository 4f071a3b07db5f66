package paringknife.core.frame.cameras;

import paringknife.core.time.Span;

/**
 * A stretch of the episode during which one camera is seen.
 *
 * @param set whether a producer has set it
 */
public record CameraTurn(Span span, int camera, boolean set) {
  /** Chosen by itself. */
  public static CameraTurn of(Span span, int camera) {
    return new CameraTurn(span, camera, false);
  }

  CameraTurn during(Span other) {
    return new CameraTurn(other, camera, set);
  }
}
