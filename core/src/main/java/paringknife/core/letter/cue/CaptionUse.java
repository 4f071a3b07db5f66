package paringknife.core.letter.cue;

/** Where captions go: into the picture, into a file beside it. */
public enum CaptionUse {
  BURNT(true, false),
  BESIDE(false, true),
  BOTH(true, true),
  NONE(false, false);

  private final boolean burnt;
  private final boolean beside;

  CaptionUse(boolean burnt, boolean beside) {
    this.burnt = burnt;
    this.beside = beside;
  }

  public static CaptionUse of(boolean burnt, boolean beside) {
    return burnt ? beside ? BOTH : BURNT : beside ? BESIDE : NONE;
  }

  public boolean isBurnt() {
    return burnt;
  }

  public boolean isBeside() {
    return beside;
  }
}
