package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;

/**
 * Finds places for texts that stand in the picture beside captions: clear of faces, of captions and
 * of one another.
 */
public final class Besides {
  private static final double GAP = 0.014;

  private final Canvas canvas;

  public Besides(Canvas canvas) {
    this.canvas = canvas;
  }

  /**
   * The parts of a script.
   *
   * @param captions parts that have their places
   * @param texts what stands beside them, in the order in which it is placed
   */
  public List<AssScript.Part> with(
      List<AssScript.Part> captions, List<Beside> texts, Obstacles obstacles) {
    List<AssScript.Part> parts = new ArrayList<>(captions);
    Obstacles there = obstacles;
    for (AssScript.Part part : captions) {
      there = there.and(box(part.style(), part.cues()));
    }
    for (Beside text : texts) {
      if (!text.cues().isEmpty()) {
        ClearPlace clear = new ClearPlace(text.style(), canvas, text.cues());
        Style placed = text.style().withPlace(clear.near(preferred(text, clear.extent()), there));
        parts.add(new AssScript.Part(placed, text.cues()));
        there = there.and(box(placed, text.cues()));
      }
    }
    return parts;
  }

  private Place preferred(Beside text, ClearPlace.Extent extent) {
    Place usual = CaptionLayout.placeOf(text.style(), canvas);
    return text.isHigh()
        ? new Place(usual.x(), canvas.safe().top() + extent.height() + GAP)
        : usual;
  }

  private Obstacles.StandingBox box(Style style, List<Cue> cues) {
    Place place = CaptionLayout.placeOf(style, canvas);
    ClearPlace.Extent extent = new ClearPlace(style, canvas, cues).extent();
    double around = GAP + CaptionLayout.padding(style, canvas);
    return new Obstacles.StandingBox(
        place.x() - extent.width() / 2,
        place.y() - extent.height() - around,
        Math.max(extent.width(), 1e-6),
        extent.height() + 2 * around);
  }
}
