package paringknife.server.deliver;

/** Thrown out of the renderer when its order has been cancelled or overtaken. */
final class NotWanted extends RuntimeException {
  private static final long serialVersionUID = 1;
}
