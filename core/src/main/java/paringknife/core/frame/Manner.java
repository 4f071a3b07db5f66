package paringknife.core.frame;

/** How a clip's windows go along with whom they show, and how near they come. */
public record Manner(Liveliness liveliness, Tightness tightness) {
  public static final Manner USUAL = new Manner(Liveliness.CALM, Tightness.ALL);
}
