package paringknife.core.frame;

/**
 * Whom the frame holds.
 *
 * @param mode follow whoever speaks, hold one person, or hold the middle of the picture
 * @param person the person held when the mode is {@link Mode#PERSON}, else -1
 */
public record Framing(Mode mode, int person) {
  public static final Framing SPEAKER = new Framing(Mode.SPEAKER, -1);

  /** Ways to frame. */
  public enum Mode {
    SPEAKER,
    PERSON,
    MIDDLE
  }
}
