package paringknife.core.letter;

/**
 * A style for captions. Lengths are in pixels on a picture 1080 pixels wide.
 *
 * @param id stable name, lower case
 * @param name shown to the producer
 * @param text colour of the text
 * @param ground colour of a box behind every line; {@link Colour#NONE} for none
 * @param mark how the spoken word is marked
 * @param entrance how a caption comes in
 * @param limits how large a caption may be
 */
public record Lettering(
    String id,
    String name,
    Face face,
    Colour text,
    Edge edge,
    Colour ground,
    SpokenMark mark,
    Entrance entrance,
    CueLimits limits) {

  /**
   * The face text is set in.
   *
   * @param family as the font file states it
   * @param size height of the font
   * @param bold whether the bold face of the family is asked for
   * @param upperCase whether text is set in capitals
   */
  public record Face(String family, int size, boolean bold, boolean upperCase) {
    public Face(String family, int size) {
      this(family, size, false, false);
    }
  }

  /** The outline around letters and the depth of their shadow. */
  public record Edge(Colour colour, double width, double shadow) {
    public static final Edge NONE = new Edge(Colour.rgb(0x1E1B1A), 0, 0);
  }

  /** A lettering of a face and a mark; all else as most have it. */
  public static Lettering of(String id, String name, Face face, SpokenMark mark, CueLimits limits) {
    return new Lettering(
        id, name, face, Colour.rgb(0xFFFFFF), Edge.NONE, Colour.NONE, mark, Entrance.NONE, limits);
  }

  public Lettering withText(Colour changed) {
    return new Lettering(id, name, face, changed, edge, ground, mark, entrance, limits);
  }

  Lettering withEdge(Edge changed) {
    return new Lettering(id, name, face, text, changed, ground, mark, entrance, limits);
  }

  Lettering withGround(Colour changed) {
    return new Lettering(id, name, face, text, edge, changed, mark, entrance, limits);
  }

  Lettering withEntrance(Entrance changed) {
    return new Lettering(id, name, face, text, edge, ground, mark, changed, limits);
  }
}
