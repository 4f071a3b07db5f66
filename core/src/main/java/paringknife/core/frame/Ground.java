package paringknife.core.frame;

/**
 * What shows where no pane lies, or behind people: the picture itself, large and soft, one tone, or
 * the clip's {@link Backdrop}.
 */
public enum Ground {
  SOFT,
  DARK,
  LIGHT,
  PICTURE
}
