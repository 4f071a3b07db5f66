package paringknife.core.deliver;

/**
 * One thing looked at before or after rendering.
 *
 * @param subject what was looked at: length, reading speed, resolution; of a finished file its
 *     length, picture size, loudness and true peak
 * @param verdict whether it is right
 * @param text what was found, in the producer's words
 */
public record Check(String subject, Verdict verdict, String text) {
  /** Right; worth knowing; or not acceptable to the destination. */
  public enum Verdict {
    PASSES,
    NOTE,
    FAILS
  }
}
