package paringknife.core.frame.text;

/**
 * Text that stands in a camera's picture for a while.
 *
 * @param fromUs on the episode's clock
 * @param untilUs the moment from which it is not there
 */
public record SeenText(long fromUs, long untilUs, TextBox box) {
  /** Whether it is there at a moment. */
  public boolean isAt(long us) {
    return us >= fromUs && us < untilUs;
  }
}
