package paringknife.core.deliver;

/**
 * Something that a producer lets pass for one destination, and why.
 *
 * @param spec id of the delivery spec
 * @param subject of the check
 * @param note up to {@value #LONGEST} characters
 */
public record Waiver(String spec, String subject, String note) {
  static final int LONGEST = 200;

  public Waiver {
    note = note.strip();
    if (note.isEmpty() || note.length() > LONGEST) {
      throw new IllegalArgumentException(
          "Say why it may pass, in up to " + LONGEST + " characters.");
    }
  }

  /** What is measured of a file is let pass with what was foreseen of it. */
  boolean covers(String checked) {
    return checked.equals(subject) || checked.equals("file " + subject);
  }
}
