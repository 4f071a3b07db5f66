package paringknife.server.shelf;

/** How far an episode is. */
public enum EpisodeState {
  /** Something is being made of it, or waits to be. */
  ARRIVING,
  READY,
  /** The producer stopped it; it can be taken up again. */
  STOPPED,
  FAILED
}
