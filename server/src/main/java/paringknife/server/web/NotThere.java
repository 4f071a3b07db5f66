package paringknife.server.web;

/** What was asked for does not exist. */
public class NotThere extends RuntimeException {
  private static final long serialVersionUID = 1;

  public NotThere(String message) {
    super(message);
  }
}
