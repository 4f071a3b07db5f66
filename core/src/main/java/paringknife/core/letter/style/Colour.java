package paringknife.core.letter.style;

/** Red, green, blue and opacity, each 0 to 255. */
public record Colour(int red, int green, int blue, int alpha) {
  private static final int MOST = 255;
  private static final String DIGITS = "0123456789ABCDEF";

  /** Not drawn at all. */
  public static final Colour NONE = new Colour(0, 0, 0, 0);

  public static final Colour WHITE = rgb(0xFFFFFF);

  public Colour {
    for (int part : new int[] {red, green, blue, alpha}) {
      if (part < 0 || part > MOST) {
        throw new IllegalArgumentException("Each part of a colour is 0 to 255.");
      }
    }
  }

  public static Colour rgb(int hex) {
    return rgba(hex, MOST);
  }

  public static Colour rgba(int hex, int alpha) {
    return new Colour(hex >> 16 & MOST, hex >> 8 & MOST, hex & MOST, alpha);
  }

  public boolean shows() {
    return alpha > 0;
  }

  /** A share of the way to another, 0 to 1, in each of its parts. */
  public Colour towards(Colour other, double share) {
    return new Colour(
        mixed(red, other.red, share),
        mixed(green, other.green, share),
        mixed(blue, other.blue, share),
        mixed(alpha, other.alpha, share));
  }

  private static int mixed(int from, int to, double share) {
    return (int) Math.round(from + (to - from) * share);
  }

  /** The form ASS styles take: opacity (0 is opaque), blue, green, red. */
  public String ass() {
    return "&H" + hex(MOST - alpha) + hex(blue) + hex(green) + hex(red);
  }

  /**
   * The override tags that draw a part of the letters in it.
   *
   * @param part 1 is the text, 2 what of it is yet to be filled, 3 the outline, 4 the shadow
   */
  public String tags(int part) {
    return "\\"
        + part
        + "c&H"
        + hex(blue)
        + hex(green)
        + hex(red)
        + "&\\"
        + part
        + "a&H"
        + hex(MOST - alpha)
        + '&';
  }

  private static String hex(int part) {
    return "" + DIGITS.charAt(part >> 4) + DIGITS.charAt(part & 15);
  }

  /** Relative luminance by WCAG 2.2, 0 to 1. */
  public double luminance() {
    return 0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);
  }

  private static double linear(int part) {
    double share = part / (double) MOST;
    return share <= 0.04045 ? share / 12.92 : Math.pow((share + 0.055) / 1.055, 2.4);
  }

  /** Contrast ratio by WCAG 2.2, 1 to 21. */
  public double contrast(Colour other) {
    double lighter = Math.max(luminance(), other.luminance());
    double darker = Math.min(luminance(), other.luminance());
    return (lighter + 0.05) / (darker + 0.05);
  }
}
