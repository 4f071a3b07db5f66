package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.frame.ShownFace;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;

/**
 * Finds a place for captions that keeps clear of faces: one through the whole clip, as near as can
 * be to where captions stand by themselves.
 */
public final class ClearPlace {
  private static final double STEP = 0.02;

  /** Faces are a little larger than their boxes: the chin is at the lower edge. */
  private static final double CHIN = 0.06;

  /**
   * How much of a face may be covered before it is worth moving as far as a fifth of the canvas.
   */
  private static final double WORTH = 0.25;

  private static final int LOOKED_AT = 40;

  private final Style style;
  private final Canvas canvas;
  private final List<Cue> cues;
  private final double above;

  public ClearPlace(Style style, Canvas canvas, List<Cue> cues) {
    this(style, canvas, cues, 0);
  }

  /**
   * @param above what else stands above the captions, as a share of the canvas's height
   */
  ClearPlace(Style style, Canvas canvas, List<Cue> cues, double above) {
    this.style = style;
    this.canvas = canvas;
    this.cues = cues;
    this.above = above;
  }

  /** The style with its captions where they stand best over these faces. */
  Style clear(List<ShownFace> faces) {
    Place clear = among(faces);
    return clear.equals(CaptionLayout.placeOf(style, canvas)) ? style : style.withPlace(clear);
  }

  /** Where captions stand best over these faces; where they were put by hand, there. */
  public Place among(List<ShownFace> faces) {
    Place usual = CaptionLayout.placeOf(style, canvas);
    if (style.place() != null || faces.isEmpty() || cues.isEmpty()) {
      return usual;
    }
    Extent extent = extent();
    double height = extent.height() + above;
    double width = extent.width();
    Place best = usual;
    double least = covered(usual, width, height, faces);
    for (double y = usual.y() - STEP; y - height > canvas.safe().top(); y -= STEP) {
      Place place = new Place(usual.x(), y);
      double cost = covered(place, width, height, faces) + (usual.y() - y) * WORTH;
      if (cost < least - 1e-9) {
        least = cost;
        best = place;
      }
    }
    return best;
  }

  /** How large captions are at most, as shares of the canvas. */
  record Extent(double width, double height) {}

  Extent extent() {
    double height = 0;
    double width = 0;
    int step = Math.max(1, cues.size() / LOOKED_AT);
    for (int i = 0; i < cues.size(); i += step) {
      CaptionLayout layout = CaptionLayout.of(cues.get(i), style, canvas);
      height = Math.max(height, layout.height() / canvas.height());
      width = Math.max(width, (layout.right() - layout.left()) / canvas.width());
    }
    return new Extent(width, height);
  }

  /** Share of the faces' area that captions cover, on average. */
  private double covered(Place place, double width, double height, List<ShownFace> faces) {
    double left = place.x() - width / 2;
    double top = place.y() - height;
    double covered = 0;
    for (ShownFace face : faces) {
      double low = face.y() + face.height() * (1 + CHIN);
      double across = Math.min(left + width, face.x() + face.width()) - Math.max(left, face.x());
      double down = Math.min(place.y(), low) - Math.max(top, face.y());
      if (across > 0 && down > 0) {
        covered += Math.min(1, across * down / (face.width() * face.height()));
      }
    }
    return covered / faces.size();
  }
}
