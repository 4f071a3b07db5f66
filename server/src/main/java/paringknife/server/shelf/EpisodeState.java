package paringknife.server.shelf;

/** How far an episode is. */
public enum EpisodeState {
  ARRIVING,
  READY,
  FAILED
}
