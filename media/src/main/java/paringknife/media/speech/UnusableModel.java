package paringknife.media.speech;

/** A speech model that cannot be used, said in the user's words. */
public final class UnusableModel extends RuntimeException {
  private static final long serialVersionUID = 1;

  public UnusableModel(String message) {
    super(message);
  }
}
