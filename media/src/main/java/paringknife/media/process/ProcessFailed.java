package paringknife.media.process;

/** Another program did not do its work; the message ends with its own last words. */
public class ProcessFailed extends RuntimeException {
  private static final long serialVersionUID = 1;

  public ProcessFailed(String program, int exit, String errors) {
    super(
        program
            + (exit >= 0 ? " ended with status " + exit : " was stopped")
            + ": "
            + lastLines(errors));
  }

  private static String lastLines(String errors) {
    String text = errors.strip();
    return text.length() > 600 ? text.substring(text.length() - 600) : text;
  }
}
