package paringknife.core.clip.cut;

/** Why something was pared. */
public enum Reason {
  PAUSE,
  FILLER,
  REPEAT,
  BY_HAND,
  TO_FIT
}
