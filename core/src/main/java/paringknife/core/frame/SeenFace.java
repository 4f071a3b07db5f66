package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.people.Face;

/**
 * The largest face that is seen at a frame of a clip.
 *
 * @param clipFrame number of the frame in the clip
 * @param episodeUs when it was filmed, on the episode's clock
 * @param box where it is in the recordings' pictures side by side, pixels; all that the window
 *     shows where no face is known
 * @param height of the face as a share of the canvas's; 0 where none is known
 * @param isWhole whether all of it lies in its window
 */
public record SeenFace(long clipFrame, long episodeUs, Window box, double height, boolean isWhole) {
  private static final double EVERY_SECONDS = 0.2;
  private static final int MOST = 600;

  /** Those of a path, looked at five times a second; less often in long clips. */
  static List<SeenFace> in(FramePath path, FilmedFaces filmed) {
    List<SeenFace> seen = new ArrayList<>();
    long step =
        Math.max(
            1,
            Math.max(Math.round(EVERY_SECONDS * filmed.rate().perSecond()), path.frames() / MOST));
    for (FramePath.Segment segment : path.segments()) {
      // The very first frames after a cut are often taken from a movement.
      for (long n = Math.min(step, segment.count() / 2); n < segment.count(); n += step) {
        seen.add(largest(segment, n, filmed));
      }
    }
    return seen;
  }

  private static SeenFace largest(FramePath.Segment segment, long n, FilmedFaces filmed) {
    long frame = segment.clipFrame() + n;
    long us = filmed.episodeUs(frame);
    SeenFace largest = new SeenFace(frame, us, segment.panes().get(0).at(n), 0, true);
    for (FramePath.Pane pane : segment.panes()) {
      Window window = pane.at(n);
      Face face = filmed.faceAt(pane.person(), window, us);
      double height = heightOf(face, window, pane.place());
      if (face != null && height > largest.height()) {
        Window box = new Window(face.x(), face.y(), face.width(), face.height());
        largest = new SeenFace(frame, us, box, height, isWithin(box, window));
      }
    }
    return largest;
  }

  private static double heightOf(@Nullable Face face, Window window, Place place) {
    return face == null ? 0 : face.height() / window.height() * place.height();
  }

  private static boolean isWithin(Window box, Window window) {
    return box.x() >= window.x()
        && box.y() >= window.y()
        && box.x() + box.width() <= window.x() + window.width()
        && box.y() + box.height() <= window.y() + window.height();
  }
}
