package paringknife.server.web;

/** Somebody changed the same thing in the meantime. */
public class Outdated extends RuntimeException {
  private static final long serialVersionUID = 1;

  public Outdated(String message) {
    super(message);
  }
}
