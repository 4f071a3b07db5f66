package paringknife.core.letter.drawn;

/** A box with rounded corners as an ASS drawing, pixels. */
record RoundedBox(double left, double top, double right, double bottom, double radius) {
  /** How far the handles of a cubic Bezier reach that is nearly a quarter of a circle. */
  private static final double HANDLE = 0.5523;

  /** The commands of {@code \p1}. */
  String drawing() {
    double r = Math.min(radius, Math.min(right - left, bottom - top) / 2);
    if (r < 0.5) {
      return points("m", left, top) + points("l", right, top, right, bottom, left, bottom).strip();
    }
    double k = r * (1 - HANDLE);
    return points("m", left + r, top)
        + points("l", right - r, top)
        + points("b", right - k, top, right, top + k, right, top + r)
        + points("l", right, bottom - r)
        + points("b", right, bottom - k, right - k, bottom, right - r, bottom)
        + points("l", left + r, bottom)
        + points("b", left + k, bottom, left, bottom - k, left, bottom - r)
        + points("l", left, top + r)
        + points("b", left, top + k, left + k, top, left + r, top).strip();
  }

  private static String points(String command, double... points) {
    StringBuilder out = new StringBuilder(command);
    for (double point : points) {
      out.append(' ').append(AssNumber.tenths(point));
    }
    return out.append(' ').toString();
  }
}
