package paringknife.core.letter.style;

import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.Shape;

/**
 * How captions look. Lengths are in pixels on a picture 1080 pixels wide.
 *
 * @param face what text is set in
 * @param lowerFace what lines after the first are set in; null for the same
 * @param text colour of the text
 * @param edges outlines from the inside to the outside, up to {@value #MOST_EDGES}
 * @param key how key words stand out
 * @param place where captions stand in shapes that have no place of their own; null for above what
 *     the destination covers
 * @param tints colours of speakers and numbers
 * @param fill how letters are filled beyond their colour
 * @param places where captions stand in some shapes, at most one place for each
 */
public record Style(
    Face face,
    @Nullable Face lowerFace,
    Colour text,
    List<Edge> edges,
    Shadow shadow,
    Ground ground,
    Align align,
    SpokenMark mark,
    WordStyle key,
    Motion motion,
    @Nullable Place place,
    Tints tints,
    Fill fill,
    List<PlaceInShape> places) {
  public static final int MOST_EDGES = 2;

  /** Most shapes in which captions have a place of their own. */
  public static final int MOST_SHAPES = 20;

  /** Opacity from which on the picture hardly shows through. */
  private static final int DENSE = 160;

  /** An outline that letters can be read against. */
  private static final double THICK = 2;

  /** On which side lines begin or end together. */
  public enum Align {
    LEFT,
    CENTRE,
    RIGHT
  }

  public Style {
    edges = List.copyOf(edges);
    // Styles of before there were any have none.
    tints = tints == null ? Tints.NONE : tints;
    fill = fill == null ? Fill.PLAIN : fill;
    places = places == null ? List.of() : List.copyOf(places);
    if (places.size() > MOST_SHAPES) {
      throw new IllegalArgumentException(
          "Captions have places of their own in up to " + MOST_SHAPES + " shapes.");
    }
    if (edges.size() > MOST_EDGES) {
      throw new IllegalArgumentException("Letters have up to " + MOST_EDGES + " outlines.");
    }
  }

  /** A face and a mark; all else as most have it. */
  public static Style of(Face face, SpokenMark mark) {
    return new Style(
        face,
        null,
        Colour.WHITE,
        List.of(),
        Shadow.NONE,
        Ground.NONE,
        Align.CENTRE,
        mark,
        new WordStyle(Colour.rgb(0xF2B35B), 1, false),
        Motion.NONE,
        null,
        Tints.NONE,
        Fill.PLAIN,
        List.of());
  }

  /** Where captions were put in a shape; null for nowhere. */
  public @Nullable Place placeIn(Shape shape) {
    return places.stream()
        .filter(p -> p.shape().isLike(shape))
        .map(PlaceInShape::place)
        .findFirst()
        .orElse(place);
  }

  public Style withFace(Face changed) {
    return new Style(
        changed, lowerFace, text, edges, shadow, ground, align, mark, key, motion, place, tints,
        fill, places);
  }

  public Style withMark(SpokenMark changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, changed, key, motion, place, tints,
        fill, places);
  }

  public Style withText(Colour changed) {
    return new Style(
        face, lowerFace, changed, edges, shadow, ground, align, mark, key, motion, place, tints,
        fill, places);
  }

  public Style withEdges(Edge... changed) {
    return new Style(
        face,
        lowerFace,
        text,
        List.of(changed),
        shadow,
        ground,
        align,
        mark,
        key,
        motion,
        place,
        tints,
        fill,
        places);
  }

  public Style withShadow(Shadow changed) {
    return new Style(
        face, lowerFace, text, edges, changed, ground, align, mark, key, motion, place, tints, fill,
        places);
  }

  public Style withGround(Ground changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, changed, align, mark, key, motion, place, tints, fill,
        places);
  }

  public Style withLower(Face changed) {
    return new Style(
        face, changed, text, edges, shadow, ground, align, mark, key, motion, place, tints, fill,
        places);
  }

  public Style withKey(WordStyle changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, mark, changed, motion, place, tints,
        fill, places);
  }

  public Style withMotion(Motion changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, mark, key, changed, place, tints, fill,
        places);
  }

  /** With captions standing there in every shape. */
  public Style withPlace(@Nullable Place changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, mark, key, motion, changed, tints,
        fill, List.of());
  }

  public Style withTints(Tints changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, mark, key, motion, place, changed,
        fill, places);
  }

  public Style withFill(Fill changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, align, mark, key, motion, place, tints,
        changed, places);
  }

  public Style aligned(Align changed) {
    return new Style(
        face, lowerFace, text, edges, shadow, ground, changed, mark, key, motion, place, tints,
        fill, places);
  }

  /**
   * Contrast of the text against what is behind it: the box, else the outline around it; empty
   * where that is the picture itself.
   */
  public OptionalDouble contrast() {
    if (ground.colour().alpha() >= DENSE) {
      return OptionalDouble.of(least(ground.colour()));
    }
    return edges.stream()
        .filter(e -> e.width() >= THICK && e.colour().alpha() >= DENSE)
        .mapToDouble(e -> least(e.colour()))
        .findFirst();
  }

  private double least(Colour behind) {
    return Math.min(text.contrast(behind), fill.at(1, text).contrast(behind));
  }

  /** The face of a line, counted from 0. */
  public Face faceOf(int line) {
    return line > 0 && lowerFace != null ? lowerFace : face;
  }
}
