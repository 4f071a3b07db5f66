package paringknife.core.deliver;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * One thing looked at before or after rendering.
 *
 * @param subject what was looked at: length, reading speed, resolution, frame rate, faces,
 *     captions, words, translation, text, file size, codec; of a finished file its length, picture
 *     size, loudness and true peak, and what is seen and heard in it and where it plays
 * @param verdict whether it is right
 * @param text what was found, in the producer's words
 * @param repair where it is put right; null where nothing has to be, or nothing can
 */
public record Check(String subject, Verdict verdict, String text, @Nullable Repair repair) {
  /** Right; worth knowing; not acceptable to the destination; or let pass by the producer. */
  public enum Verdict {
    PASSES,
    NOTE,
    FAILS,
    WAIVED
  }

  /** Where something is put right. */
  public enum Repair {
    /** By what can still go, or by speed. */
    FIT,
    /** In the captions. */
    CAPTIONS,
    /** In the frame. */
    FRAME,
    /** In the text that is posted. */
    TEXT,
    /** In the words of the transcript. */
    WORDS
  }

  static Check passes(String subject, String text) {
    return new Check(subject, Verdict.PASSES, text, null);
  }

  static Check notes(String subject, String text) {
    return new Check(subject, Verdict.NOTE, text, null);
  }

  static Check fails(String subject, String text) {
    return new Check(subject, Verdict.FAILS, text, null);
  }

  static Check of(String subject, boolean right, String text) {
    return right ? passes(subject, text) : fails(subject, text);
  }

  /** Worth knowing, and where it is put right. */
  public static Check notes(String subject, String text, Repair repair) {
    return new Check(subject, Verdict.NOTE, text, repair);
  }

  Check repairedBy(Repair other) {
    return new Check(subject, verdict, text, other);
  }

  /** The same, let pass where a producer has said why. */
  public Check waivedBy(List<Waiver> waivers) {
    return letPass(waivers.stream().filter(w -> w.isOf(this)).findFirst());
  }

  /**
   * The same, let pass where what it measured was foreseen.
   *
   * @param foreseen what was let pass before the file was made
   */
  public Check foreseenBy(List<Waiver> foreseen) {
    return letPass(foreseen.stream().filter(w -> w.foresaw(this)).findFirst());
  }

  private Check letPass(Optional<Waiver> waiver) {
    return verdict == Verdict.PASSES
        ? this
        : waiver
            .map(w -> new Check(subject, Verdict.WAIVED, text + "; let pass: " + w.note(), repair))
            .orElse(this);
  }

  /** Whether nothing fails. */
  public static boolean pass(List<Check> checks) {
    return checks.stream().noneMatch(c -> c.verdict() == Verdict.FAILS);
  }
}
