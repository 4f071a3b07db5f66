package paringknife.server.web;

/** What was asked for is still being made. */
public class NotYet extends RuntimeException {
  private static final long serialVersionUID = 1;

  public NotYet(String message) {
    super(message);
  }
}
