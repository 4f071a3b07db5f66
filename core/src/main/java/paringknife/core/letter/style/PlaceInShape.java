package paringknife.core.letter.style;

import paringknife.core.frame.Shape;

/** Where captions stand in pictures of one shape. */
public record PlaceInShape(Shape shape, Place place) {
  public PlaceInShape {
    if (shape == null || place == null) {
      throw new IllegalArgumentException("A place of captions needs its shape.");
    }
  }
}
