package paringknife.media.process;

/** Another program did not do its work; the message ends with its own last words. */
public class ProcessFailed extends RuntimeException {
  private static final long serialVersionUID = 1;

  /** A shell's and Java's way to tell which signal ended a program: this and its number. */
  private static final int SIGNALLED = 128;

  private final int exit;

  /**
   * @param exit status; -1 when we ended it ourselves
   */
  public ProcessFailed(String program, int exit, String errors) {
    super(
        program
            + (exit >= 0 ? " ended with status " + exit : " was stopped")
            + ": "
            + lastLines(errors));
    this.exit = exit;
  }

  /** Whether somebody else killed it, so that it may go through when it is tried again. */
  public boolean wasKilled() {
    return exit > SIGNALLED;
  }

  private static String lastLines(String errors) {
    String text = errors.strip();
    return text.length() > 600 ? text.substring(text.length() - 600) : text;
  }
}
