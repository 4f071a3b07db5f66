package paringknife.core.frame;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * A path whose windows come nearer: for push-ins, and for every second piece where sizes alternate
 * at joins within one shot, so that a cut looks meant. They come nearer towards the face, and no
 * nearer than the resolution allows; only where the path is short of it already does it not count.
 */
final class NearerPath {
  private static final double MIDDLE = 0.5;
  private static final double EYES = 1 / 3.0;
  private static final double EDGE = 0.1;

  private final FramePath path;
  private final List<PictureRun> runs;
  private final Seen seen;
  private int runIndex;

  /**
   * What it has to know of the cameras.
   *
   * @param shots of each
   * @param leastLines the smallest height of a window that is not enlarged more than is noticed,
   *     pixels
   */
  record Seen(
      CameraGrid grid, People people, List<ShotList> shots, FrameRate rate, double leastLines) {
    int cameraOf(Window window) {
      return grid.cameraAt(window.middleX(), window.middleY());
    }
  }

  NearerPath(FramePath path, List<PictureRun> runs, Seen seen) {
    this.path = path;
    this.runs = runs;
    this.seen = seen;
  }

  FramePath of(List<PushIn> pushIns, double alternating) {
    List<PushIn> on = pushIns.stream().filter(PushIn::on).toList();
    if (on.isEmpty() && alternating == 0) {
      return path;
    }
    long[] times = times();
    double[] factors = alternated(times, 1 + alternating);
    for (PushIn pushIn : on) {
      for (int f = 0; f < factors.length; f++) {
        factors[f] = Math.max(factors[f], pushIn.factorAt(times[f]));
      }
    }
    List<FramePath.Segment> nearer = new ArrayList<>();
    for (FramePath.Segment segment : path.segments()) {
      if (segment.isOneWindow()) {
        comeNearer(segment, times, factors, nearer);
      } else {
        nearer.add(segment);
      }
    }
    return new FramePath(nearer);
  }

  /** When on the episode's clock each frame was recorded. */
  private long[] times() {
    long[] times = new long[(int) path.frames()];
    for (PictureRun run : runs) {
      for (long f = 0; f < run.count(); f++) {
        long frame = run.shownAt(run.clipFrame() + f);
        times[(int) (run.clipFrame() + f)] = seen.rate().startUs(frame);
      }
    }
    return times;
  }

  private double[] alternated(long[] times, double factor) {
    double[] factors = new double[times.length];
    Arrays.fill(factors, 1);
    boolean near = false;
    FramePath.Segment before = null;
    PictureRun last = null;
    for (FramePath.Segment segment : path.segments()) {
      for (long f = segment.clipFrame(); f < segment.clipFrame() + segment.count(); f++) {
        PictureRun run = runAt(f, last);
        boolean joined = last != null && run != last && !goesOn(last, run);
        boolean other = before != null && before != segment && isOther(before, segment);
        int camera = seen.cameraOf(segment.at(f));
        if (other || (joined && !sameShot(camera, times[(int) f - 1], times[(int) f]))) {
          near = false;
        } else if (joined) {
          near = !near;
        }
        factors[(int) f] = near ? factor : 1;
        last = run;
        before = segment;
      }
    }
    return factors;
  }

  private PictureRun runAt(long frame, PictureRun last) {
    if (last == null) {
      runIndex = 0;
    }
    while (runs.get(runIndex).clipFrame() + runs.get(runIndex).count() <= frame) {
      runIndex++;
    }
    return runs.get(runIndex);
  }

  private static boolean goesOn(PictureRun before, PictureRun after) {
    return before.held()
        || after.held()
        || before.episodeFrame() + before.count() == after.episodeFrame();
  }

  private boolean isOther(FramePath.Segment before, FramePath.Segment segment) {
    return before.person() != segment.person()
        || seen.cameraOf(before.at(before.clipFrame()))
            != seen.cameraOf(segment.at(segment.clipFrame()));
  }

  private boolean sameShot(int camera, long us, long otherUs) {
    ShotList shots = seen.shots().get(camera);
    return shots.around(us).equals(shots.around(otherUs));
  }

  private void comeNearer(
      FramePath.Segment segment, long[] times, double[] factors, List<FramePath.Segment> to) {
    long end = segment.clipFrame() + segment.count();
    long from = segment.clipFrame();
    while (from < end) {
      boolean asItWas = factors[(int) from] == 1;
      boolean even = true;
      long until = from + 1;
      while (until < end && (factors[(int) until] == 1) == asItWas) {
        even &= factors[(int) until] == factors[(int) from];
        until++;
      }
      to.add(part(segment, from, until, even, times, factors));
      from = until;
    }
  }

  private FramePath.Segment part(
      FramePath.Segment segment, long from, long until, boolean even, long[] times, double[] all) {
    FramePath.Pane pane = segment.panes().get(0);
    double[] face = faceIn(segment, times[(int) from], times[(int) until - 1]);
    long windows = even && segment.isHeld() ? 1 : until - from;
    List<Window> nearer = new ArrayList<>();
    for (long f = from; f < from + windows; f++) {
      nearer.add(nearer(segment.at(f), all[(int) f], face));
    }
    return new FramePath.Segment(
        from,
        until - from,
        List.of(new FramePath.Pane(pane.place(), pane.person(), nearer)),
        segment.ground(),
        segment.setBy());
  }

  private Window nearer(Window window, double factor, double[] face) {
    if (factor == 1) {
      return window;
    }
    double most =
        window.height() <= seen.leastLines() ? factor : window.height() / seen.leastLines();
    return window.nearer(Math.min(factor, most), face[0], face[1]);
  }

  /** Where the eyes of the person shown are in the window, as shares of it. */
  private double[] faceIn(FramePath.Segment segment, long fromUs, long toUs) {
    if (segment.person() < 0) {
      return new double[] {MIDDLE, EYES};
    }
    Window window = segment.at(segment.clipFrame());
    int camera = seen.cameraOf(window);
    CameraGrid.Cell picture = seen.grid().cells().get(camera);
    Span shot = seen.shots().get(camera).around(fromUs);
    Face face =
        picture.inGrid(
            seen.people()
                .on(camera)
                .get(segment.person())
                .typicalFace(Math.max(shot.startUs(), fromUs), Math.max(fromUs + 1, toUs)));
    double across = (face.middleX() - window.x()) / window.width();
    double down = (face.eyesY() - window.y()) / window.height();
    return segment.isHeld()
        ? new double[] {inside(across), inside(down)}
        : new double[] {MIDDLE, EYES};
  }

  private static double inside(double share) {
    return Math.max(EDGE, Math.min(1 - EDGE, share));
  }
}
