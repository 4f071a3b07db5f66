package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.frame.people.Face;

/**
 * A face where it is seen on the canvas.
 *
 * @param x left edge, as a share of the canvas's width
 * @param y upper edge, as a share of its height
 */
public record ShownFace(double x, double y, double width, double height) {
  private static final double EVERY_SECONDS = 0.5;
  private static final int MOST = 2_000;

  /** Those of a path, looked at twice a second; less often in long clips. */
  static List<ShownFace> in(FramePath path, FilmedFaces filmed) {
    List<ShownFace> shown = new ArrayList<>();
    long frames =
        path.segments().stream().mapToLong(s -> s.clipFrame() + s.count()).max().orElse(0);
    long step =
        Math.max(1, Math.max(Math.round(EVERY_SECONDS * filmed.rate().perSecond()), frames / MOST));
    for (FramePath.Segment segment : path.segments()) {
      for (long f = step / 2 % Math.max(1, segment.count()); f < segment.count(); f += step) {
        long frame = segment.clipFrame() + f;
        for (FramePath.Pane pane : segment.panes()) {
          Window window = pane.at(f);
          Face face = filmed.faceAt(pane.person(), window, filmed.episodeUs(frame));
          if (face != null) {
            shown.add(on(pane.place(), window, face));
          }
        }
      }
    }
    return shown;
  }

  private static ShownFace on(Place place, Window window, Face face) {
    double across = place.width() / window.width();
    double down = place.height() / window.height();
    return new ShownFace(
        place.x() + (face.x() - window.x()) * across,
        place.y() + (face.y() - window.y()) * down,
        face.width() * across,
        face.height() * down);
  }
}
