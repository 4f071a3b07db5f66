package paringknife.core.frame;

/**
 * How a clip's windows go along with whom they show, how near they come, and what lies between
 * those who share the canvas.
 */
public record Manner(Liveliness liveliness, Tightness tightness, Divider divider) {
  public static final Manner USUAL = new Manner(Liveliness.CALM, Tightness.ALL);

  /** Clips that were written before there was a choice have a line. */
  public Manner {
    divider = divider == null ? Divider.LINE : divider;
  }

  /** With a line between those who share the canvas. */
  public Manner(Liveliness liveliness, Tightness tightness) {
    this(liveliness, tightness, Divider.LINE);
  }
}
