package paringknife.core.frame;

/** What lies between people who share the canvas: so much of the dark ground. */
public enum Divider {
  NONE(0),
  LINE(0.006),
  BAND(0.02);

  private final double share;

  Divider(double share) {
    this.share = share;
  }

  /** Its share of the canvas across. */
  double share() {
    return share;
  }
}
