package paringknife.core.letter.drawn;

import java.util.Locale;

/** A box with rounded corners as an ASS drawing, pixels. */
record RoundedBox(double left, double top, double right, double bottom, double radius) {
  /** How far the handles of a cubic Bezier reach that is nearly a quarter of a circle. */
  private static final double HANDLE = 0.5523;

  /** The commands of {@code \p1}. */
  String drawing() {
    double r = Math.min(radius, Math.min(right - left, bottom - top) / 2);
    if (r < 0.5) {
      return String.format(
          Locale.ROOT,
          "m %.1f %.1f l %.1f %.1f %.1f %.1f %.1f %.1f",
          left,
          top,
          right,
          top,
          right,
          bottom,
          left,
          bottom);
    }
    double k = r * (1 - HANDLE);
    return String.format(Locale.ROOT, "m %.1f %.1f l %.1f %.1f ", left + r, top, right - r, top)
        + curve(right - k, top, right, top + k, right, top + r)
        + String.format(Locale.ROOT, "l %.1f %.1f ", right, bottom - r)
        + curve(right, bottom - k, right - k, bottom, right - r, bottom)
        + String.format(Locale.ROOT, "l %.1f %.1f ", left + r, bottom)
        + curve(left + k, bottom, left, bottom - k, left, bottom - r)
        + String.format(Locale.ROOT, "l %.1f %.1f ", left, top + r)
        + curve(left, top + k, left + k, top, left + r, top).strip();
  }

  private static String curve(double... points) {
    StringBuilder out = new StringBuilder("b");
    for (double point : points) {
      out.append(String.format(Locale.ROOT, " %.1f", point));
    }
    return out.append(' ').toString();
  }
}
