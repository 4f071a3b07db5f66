package paringknife.media.process;

/**
 * The work was told to stop, as when the server shuts down; it has not failed and may be repeated.
 */
public class Interrupted extends RuntimeException {
  private static final long serialVersionUID = 1;

  public Interrupted() {
    super("stopped before it was done");
  }
}
