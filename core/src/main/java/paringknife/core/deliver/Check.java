package paringknife.core.deliver;

import java.util.List;

/**
 * One thing looked at before or after rendering.
 *
 * @param subject what was looked at: length, reading speed, resolution, frame rate; of a finished
 *     file its length, picture size, loudness and true peak
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

  static Check passes(String subject, String text) {
    return new Check(subject, Verdict.PASSES, text);
  }

  static Check notes(String subject, String text) {
    return new Check(subject, Verdict.NOTE, text);
  }

  static Check fails(String subject, String text) {
    return new Check(subject, Verdict.FAILS, text);
  }

  static Check of(String subject, boolean right, String text) {
    return right ? passes(subject, text) : fails(subject, text);
  }

  /** Whether nothing fails. */
  public static boolean pass(List<Check> checks) {
    return checks.stream().noneMatch(c -> c.verdict() == Verdict.FAILS);
  }
}
