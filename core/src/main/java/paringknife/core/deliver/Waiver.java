package paringknife.core.deliver;

/**
 * Something found of a clip that a producer lets pass for one destination, and why. It holds for
 * just what was found: when that changes, the producer is asked again.
 *
 * @param spec id of the delivery spec
 * @param subject of the check
 * @param found its text
 * @param note up to {@value #LONGEST} characters
 */
public record Waiver(String spec, String subject, String found, String note) {
  static final int LONGEST = 200;
  private static final int LONGEST_SUBJECT = 40;
  private static final int LONGEST_FOUND = 400;

  public Waiver {
    note = note.strip();
    if (note.isEmpty() || note.length() > LONGEST) {
      throw new IllegalArgumentException(
          "Say why it may pass, in up to " + LONGEST + " characters.");
    }
    if (subject.length() > LONGEST_SUBJECT || found.length() > LONGEST_FOUND) {
      throw new IllegalArgumentException("No check finds so much.");
    }
  }

  /** Whether it is about what a check found. */
  public boolean isOf(Check check) {
    return subject.equals(check.subject()) && found.equals(check.text());
  }

  /** Whether it is about what was foreseen of what a check measured of the file. */
  boolean foresaw(Check measured) {
    return measured.subject().equals(subject) || measured.subject().equals("file " + subject);
  }
}
