package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.people.Face;

/**
 * Looks whether the faces of those who are shown lie within their windows, and are large enough on
 * the canvas: at least {@value #LEAST_HEIGHT} of its height (from memory; there is no published
 * limit).
 */
final class FaceCheck {
  private static final double LEAST_HEIGHT = 0.05;

  /** A box that a detector finds is a little larger than the face. */
  private static final double MARGIN = 0.08;

  /** So much of a segment may be an instant in which somebody leans. */
  private static final double INSTANTS = 0.1;

  private static final long EVERY_US = 200_000;

  private final FilmedFaces filmed;

  FaceCheck(FilmedFaces filmed) {
    this.filmed = filmed;
  }

  List<FaceWarning> of(FramePath path) {
    List<FaceWarning> warnings = new ArrayList<>();
    for (int s = 0; s < path.segments().size(); s++) {
      FaceWarning.Problem problem = problem(path.segments().get(s));
      if (problem != null) {
        warnings.add(new FaceWarning(s, problem));
      }
    }
    return warnings;
  }

  private FaceWarning.@Nullable Problem problem(FramePath.Segment segment) {
    int seen = 0;
    int cut = 0;
    int small = 0;
    long step = Math.max(1, Math.round(EVERY_US / 1e6 * filmed.rate().perSecond()));
    for (long f = 0; f < segment.count(); f += step) {
      long us = filmed.episodeUs(segment.clipFrame() + f);
      for (FramePath.Pane pane : segment.panes()) {
        Window window = pane.at(f);
        Face face = filmed.faceAt(pane.person(), window, us);
        if (face != null) {
          seen++;
          cut += isWithin(face, window) ? 0 : 1;
          small += isLargeEnough(face, window, pane.place()) ? 0 : 1;
        }
      }
    }
    if (cut > INSTANTS * seen) {
      return FaceWarning.Problem.CUT;
    }
    return small > (1 - INSTANTS) * seen && seen > 0 ? FaceWarning.Problem.SMALL : null;
  }

  private static boolean isWithin(Face face, Window window) {
    double across = MARGIN * face.width();
    double down = MARGIN * face.height();
    return face.x() + across >= window.x()
        && face.y() + down >= window.y()
        && face.x() + face.width() - across <= window.x() + window.width()
        && face.y() + face.height() - down <= window.y() + window.height();
  }

  private static boolean isLargeEnough(Face face, Window window, Place place) {
    return face.height() / window.height() * place.height() >= LEAST_HEIGHT;
  }
}
