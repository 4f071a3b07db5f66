package paringknife.core.frame;

/** What shows where no pane lies: the picture itself, large and soft, or one tone. */
public enum Ground {
  SOFT,
  DARK,
  LIGHT
}
