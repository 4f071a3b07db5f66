package paringknife.server.web;

/** Something was tried more often than it may be. */
public class TooOften extends RuntimeException {
  private static final long serialVersionUID = 1;

  public TooOften(String message) {
    super(message);
  }
}
