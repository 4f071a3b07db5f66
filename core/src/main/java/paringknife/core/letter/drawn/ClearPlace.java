package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.frame.ShownFace;
import paringknife.core.frame.ShownText;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;

/**
 * Finds a place for captions that keeps clear of faces, of text and of what stands in the picture:
 * one through the whole clip, as near as can be to where captions stand by themselves.
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

  /** The style with its captions where they stand best among these obstacles. */
  Style clear(Obstacles obstacles) {
    Place clear = among(obstacles);
    return clear.equals(CaptionLayout.placeOf(style, canvas)) ? style : style.withPlace(clear);
  }

  /** Where captions stand best among these obstacles; where they were put by hand, there. */
  public Place among(Obstacles obstacles) {
    Place usual = CaptionLayout.placeOf(style, canvas);
    if (style.placeIn(canvas.shape()) != null || obstacles.isNone() || cues.isEmpty()) {
      return usual;
    }
    Extent extent = extent();
    double height = extent.height() + above;
    double width = extent.width();
    Place best = usual;
    double least = covered(usual, width, height, obstacles);
    for (double y = usual.y() - STEP; y - height > canvas.safe().top(); y -= STEP) {
      Place place = new Place(usual.x(), y);
      double cost = covered(place, width, height, obstacles) + (usual.y() - y) * WORTH;
      if (cost < least - 1e-9) {
        least = cost;
        best = place;
      }
    }
    return best;
  }

  /** The place nearest to another one, above or below it, that keeps clear of obstacles. */
  Place near(Place preferred, Obstacles obstacles) {
    Extent extent = extent();
    double lowest = 1 - canvas.safe().bottom() - CaptionLayout.padding(style, canvas);
    double highest = Math.min(lowest, canvas.safe().top() + extent.height());
    Place best = preferred;
    double least = Double.MAX_VALUE;
    for (double y = lowest; y >= highest; y -= STEP) {
      Place place = new Place(preferred.x(), y);
      double cost =
          covered(place, extent.width(), extent.height(), obstacles)
              + Math.abs(preferred.y() - y) * WORTH;
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

  /**
   * Share of the faces' area that captions cover, on average, of each text's, which counts the more
   * the longer it is there, and of each box that stands.
   */
  private static double covered(Place place, double width, double height, Obstacles obstacles) {
    double left = place.x() - width / 2;
    Obstacles.StandingBox text = new Obstacles.StandingBox(left, place.y() - height, width, height);
    double covered = 0;
    for (ShownFace face : obstacles.faces()) {
      double low = face.height() * (1 + CHIN);
      double common =
          common(text, new Obstacles.StandingBox(face.x(), face.y(), face.width(), low));
      covered += Math.min(1, common / (face.width() * face.height()));
    }
    double average = obstacles.faces().isEmpty() ? 0 : covered / obstacles.faces().size();
    return average
        + obstacles.texts().stream().mapToDouble(t -> covered(text, t)).sum()
        + obstacles.standing().stream()
            .mapToDouble(box -> common(text, box) / (box.width() * box.height()))
            .sum();
  }

  private static double covered(Obstacles.StandingBox by, ShownText text) {
    Obstacles.StandingBox box =
        new Obstacles.StandingBox(text.x(), text.y(), text.width(), text.height());
    return Math.sqrt(text.share()) * common(by, box) / (box.width() * box.height());
  }

  private static double common(Obstacles.StandingBox a, Obstacles.StandingBox b) {
    double across = Math.min(a.x() + a.width(), b.x() + b.width()) - Math.max(a.x(), b.x());
    double down = Math.min(a.y() + a.height(), b.y() + b.height()) - Math.max(a.y(), b.y());
    return across > 0 && down > 0 ? across * down : 0;
  }
}
