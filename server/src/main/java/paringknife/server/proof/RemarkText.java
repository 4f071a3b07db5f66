package paringknife.server.proof;

import paringknife.core.writing.OneLine;

/** What people write in remarks: text, and nothing but text. */
final class RemarkText {
  private static final int LONGEST_NAME = 80;

  private RemarkText() {}

  /** A remark without the blanks around it, and without what only steers a terminal or a line. */
  static String of(String text) {
    String clean = withoutControls(text).strip();
    if (clean.isEmpty()) {
      throw new IllegalArgumentException("A remark needs some words.");
    }
    return clean;
  }

  /** Who writes it. */
  static String name(String text) {
    String clean = OneLine.of(withoutControls(text));
    if (clean.isEmpty() || clean.length() > LONGEST_NAME) {
      throw new IllegalArgumentException(
          "Say who you are, in up to " + LONGEST_NAME + " characters.");
    }
    return clean;
  }

  private static String withoutControls(String text) {
    StringBuilder kept = new StringBuilder();
    text.codePoints()
        .filter(c -> c == '\n' || !Character.isISOControl(c))
        .filter(c -> !isTurning(c))
        .forEach(kept::appendCodePoint);
    return kept.toString();
  }

  /** Marks that turn the direction of the text around them (Unicode UAX 9, explicit ones). */
  private static boolean isTurning(int c) {
    return c >= 0x202A && c <= 0x202E || c >= 0x2066 && c <= 0x2069;
  }
}
