package paringknife.server.deliver;

/** How far a finished file is. */
public enum RenderState {
  WAITING,
  RENDERING,
  DONE,
  FAILED,
  CANCELLED
}
