package paringknife.core.letter.drawn;

import java.util.List;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Face;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.SpokenMark;
import paringknife.core.letter.style.Style;

/**
 * Captions in two languages at once: the first as it is by itself, the second smaller above it, so
 * that neither moves when the other changes.
 */
public final class TwoLanguages {
  /** The second as a share of the first (common practice: three quarters). */
  private static final double SMALLER = 0.75;

  private static final double GAP = 0.012;

  private final Canvas canvas;
  private final AssScript.Part first;
  private final AssScript.Part second;

  public TwoLanguages(Canvas canvas, AssScript.Part first, AssScript.Part second) {
    this.canvas = canvas;
    this.first = first;
    this.second =
        new AssScript.Part(
            smaller(second.style()).withMark(new SpokenMark.Unmarked()), second.cues());
  }

  private static Style smaller(Style style) {
    Style small = style.withFace(smaller(style.face()));
    Face lower = style.lowerFace();
    return lower == null ? small : small.withLower(smaller(lower));
  }

  private static Face smaller(Face face) {
    return face.withSize(Math.max(Face.SMALLEST, face.size() * SMALLER));
  }

  /** One script for both, clear of obstacles as far as that goes. */
  public String write(Obstacles obstacles) {
    return AssScript.write(canvas, parts(obstacles));
  }

  /** Both where they stand, clear of obstacles as far as that goes. */
  public List<AssScript.Part> parts(Obstacles obstacles) {
    double padding =
        CaptionLayout.padding(first.style(), canvas)
            + CaptionLayout.padding(second.style(), canvas);
    double above =
        new ClearPlace(second.style(), canvas, second.cues()).extent().height() + GAP + padding;
    ClearPlace lower = new ClearPlace(first.style(), canvas, first.cues(), above);
    Place place = lower.among(obstacles);
    double y = Math.max(above, place.y() - lower.extent().height() - GAP - padding);
    return List.of(
        new AssScript.Part(lower.clear(obstacles), first.cues()),
        new AssScript.Part(second.style().withPlace(new Place(place.x(), y)), unplaced()));
  }

  private List<Cue> unplaced() {
    return second.cues().stream().map(c -> new Cue(c.span(), c.lines())).toList();
  }
}
