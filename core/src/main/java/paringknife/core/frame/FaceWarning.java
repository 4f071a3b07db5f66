package paringknife.core.frame;

/**
 * A segment of a path whose face is not seen as it should be.
 *
 * @param segment its place in the path, counted from 0
 */
public record FaceWarning(int segment, Problem problem) {
  /** What is wrong. */
  public enum Problem {
    /** A part of it lies outside the window. */
    CUT,
    /** It is hard to make out on a small screen. */
    SMALL
  }
}
