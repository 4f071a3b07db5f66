package paringknife.core.letter;

/**
 * A style for captions.
 *
 * @param id stable name, lower case
 * @param name shown to the producer
 * @param font family name as the font file states it
 * @param size height of the font in pixels on a picture 1080 pixels wide
 * @param bold whether the bold face of the family is asked for
 * @param upperCase whether text is set in capitals
 * @param text colour of the text
 * @param outline colour of the outline
 * @param outlineWidth in pixels on a picture 1080 pixels wide
 * @param shadow depth of the shadow in the same pixels
 * @param mark how the spoken word is marked
 * @param markText colour of the spoken word
 * @param markGround colour behind the spoken word, for {@link Mark#BOX}
 * @param ground colour of a box behind every line; alpha 0 for none
 * @param limits how large a caption may be
 */
public record Lettering(
    String id,
    String name,
    String font,
    int size,
    boolean bold,
    boolean upperCase,
    Colour text,
    Colour outline,
    double outlineWidth,
    double shadow,
    Mark mark,
    Colour markText,
    Colour markGround,
    Colour ground,
    CueLimits limits) {

  /** Ways to mark the spoken word. */
  public enum Mark {
    COLOUR,
    BOX
  }

  /** Red, green, blue and opacity, each 0 to 255. */
  public record Colour(int red, int green, int blue, int alpha) {
    public static Colour rgb(int hex) {
      return rgba(hex, 255);
    }

    public static Colour rgba(int hex, int alpha) {
      return new Colour(hex >> 16 & 255, hex >> 8 & 255, hex & 255, alpha);
    }

    /** The form ASS takes: alpha (0 is opaque), blue, green, red. */
    String ass() {
      return String.format("&H%02X%02X%02X%02X", 255 - alpha, blue, green, red);
    }
  }
}
