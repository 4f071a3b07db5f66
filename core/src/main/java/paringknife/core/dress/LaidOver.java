package paringknife.core.dress;

/** The section of a clip that says what is laid over it; nothing can be yet. */
public record LaidOver() {
  public static final LaidOver NOTHING = new LaidOver();
}
