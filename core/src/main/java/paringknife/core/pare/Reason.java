package paringknife.core.pare;

/** Why something was pared. */
public enum Reason {
  PAUSE,
  FILLER,
  REPEAT,
  BY_HAND
}
