package paringknife.server.proof;

/** A link has a password, and it was not given, or not the right one. */
class Locked extends RuntimeException {
  private static final long serialVersionUID = 1;

  Locked(String message) {
    super(message);
  }
}
