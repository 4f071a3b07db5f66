package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

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

  /** A face that was not found for longer is not judged. */
  private static final long STALE_US = 600_000;

  private final CameraGrid grid;
  private final People people;
  private final List<PictureRun> runs;
  private final FrameRate rate;

  /** The run in which it is looked; frames come in order. */
  private int run;

  /**
   * @param runs what of the recording's picture plays
   */
  FaceCheck(CameraGrid grid, People people, List<PictureRun> runs, FrameRate rate) {
    this.grid = grid;
    this.people = people;
    this.runs = runs;
    this.rate = rate;
  }

  List<FaceWarning> of(FramePath path) {
    run = 0;
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
    long step = Math.max(1, Math.round(EVERY_US / 1e6 * rate.perSecond()));
    for (long f = 0; f < segment.count(); f += step) {
      long us = episodeUs(segment.clipFrame() + f);
      for (FramePath.Pane pane : segment.panes()) {
        Window window = pane.at(f);
        Face face = faceAt(pane.person(), window, us);
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

  private long episodeUs(long clipFrame) {
    while (run + 1 < runs.size() && runs.get(run + 1).clipFrame() <= clipFrame) {
      run++;
    }
    PictureRun now = runs.get(run);
    return rate.startUs(now.episodeFrame() + (now.held() ? 0 : clipFrame - now.clipFrame()));
  }

  /** The box of a face in the grid; null where it is not known. */
  private @Nullable Face faceAt(int number, Window window, long us) {
    if (number < 0 || number >= people.count()) {
      return null;
    }
    int camera = grid.cameraAt(window.middleX(), window.middleY());
    Person person = people.on(camera).get(number);
    if (person.seenIn(new Span(us - STALE_US, us + STALE_US)).isEmpty()) {
      return null;
    }
    return grid.cells().get(camera).inGrid(person.faceAt(us));
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
