package paringknife.core.letter.drawn;

/** Margins that a destination covers with its own buttons, as shares of height and width. */
public record SafeArea(double top, double bottom, double left, double right) {
  public static final SafeArea VERTICAL = new SafeArea(0.12, 0.22, 0.05, 0.14);
  static final SafeArea NONE = new SafeArea(0, 0, 0.03, 0.03);
  public static final SafeArea PLAIN = new SafeArea(0.05, 0.05, 0.05, 0.05);

  private static final double MOST = 0.45;

  public SafeArea {
    for (double margin : new double[] {top, bottom, left, right}) {
      if (!(margin >= 0 && margin <= MOST)) {
        throw new IllegalArgumentException("A safe area's margins are from 0 to 45 %.");
      }
    }
  }

  /** The wider of the two side margins: what centred text must keep clear of on both sides. */
  double widest() {
    return Math.max(left, right);
  }
}
