package paringknife.core.letter;

import java.util.Locale;

/** Red, green, blue and opacity, each 0 to 255. */
record Colour(int red, int green, int blue, int alpha) {
  public static final Colour NONE = new Colour(0, 0, 0, 0);

  public static Colour rgb(int hex) {
    return rgba(hex, 255);
  }

  public static Colour rgba(int hex, int alpha) {
    return new Colour(hex >> 16 & 255, hex >> 8 & 255, hex & 255, alpha);
  }

  boolean isSeen() {
    return alpha > 0;
  }

  /** The form ASS styles take: opacity (0 is opaque), blue, green, red. */
  String ass() {
    return String.format(Locale.ROOT, "&H%02X%02X%02X%02X", 255 - alpha, blue, green, red);
  }

  /** The form ASS override tags take: blue, green, red. */
  String assTag() {
    return String.format(Locale.ROOT, "&H%02X%02X%02X&", blue, green, red);
  }
}
