package paringknife.core.writing;

/** Texts that somebody typed, as one line. */
public final class OneLine {
  private OneLine() {}

  /**
   * The same with a single blank wherever there were blanks, tabs or ends of lines, none about it.
   */
  public static String of(String text) {
    return String.join(" ", text.strip().split("\\s+"));
  }
}
