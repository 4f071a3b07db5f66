package paringknife.core.frame;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.Person;
import paringknife.core.time.Span;

/**
 * Lays the window that shows one person: it stands still while their face is in its middle third
 * and their eyes are between a quarter and two fifths from the top (common practice), and goes by
 * the {@link SteadyPath} that keeps it so otherwise. That path is worked out once for all that is
 * seen of them, so that no paring moves it. Safe for use by several threads.
 */
final class FollowedPerson {
  private static final double EYES_AT = 1 / 3.0;
  private static final double EYES_HIGHEST = 0.25;
  private static final double EYES_LOWEST = 0.4;

  /** So much of the time may a held window miss somebody before it is let move. */
  private static final double MISSED = 0.02;

  /** Pixels a sample that nobody takes for a movement. */
  private static final double CREEPS = 0.5;

  private final Person person;
  private final int index;
  private final CameraGrid.Cell picture;
  private final double width;
  private final double height;
  private final SteadyPath.Costs costs;
  private volatile @Nullable MovingWindow path;

  /**
   * @param index of the person
   * @param picture where that of the camera lies
   * @param width of the window
   * @param height of the window
   * @param costs what it costs to move
   */
  FollowedPerson(
      Person person,
      int index,
      CameraGrid.Cell picture,
      double width,
      double height,
      SteadyPath.Costs costs) {
    this.person = person;
    this.index = index;
    this.picture = picture;
    this.width = width;
    this.height = height;
    this.costs = costs;
  }

  /** Positions of one edge of the window: wanted, and between which it shows what it must. */
  private record Range(double wanted, double least, double most) {
    static Range of(double want, double from, double to, double end) {
      return new Range(
          clamp(want, end), clamp(Math.min(from, to), end), clamp(Math.max(from, to), end));
    }

    boolean holds(double position) {
      return position >= least && position <= most;
    }
  }

  private static double clamp(double value, double most) {
    return Math.max(0, Math.min(most, value));
  }

  private Range across(Face face) {
    double middle = face.middleX() * picture.width();
    double left = middle - width / 2;
    double free = Math.max(0, Math.min(width / 6, (width - face.width() * picture.width()) / 2));
    return Range.of(left, left - free, left + free, picture.width() - width);
  }

  private Range down(Face face) {
    double eyes = face.eyesY() * picture.height();
    return Range.of(
        eyes - height * EYES_AT,
        eyes - height * EYES_LOWEST,
        eyes - height * EYES_HIGHEST,
        picture.height() - height);
  }

  /** The window over a stretch of the episode. */
  PlannedWindow over(Span span) {
    Face typical = person.typicalFace(span.startUs(), span.endUs());
    Window window = new Window(across(typical).wanted(), down(typical).wanted(), width, height);
    return isEnough(window, span)
        ? new HeldWindow(span, window.movedBy(picture.x(), picture.y()), index)
        : path().during(span);
  }

  private boolean isEnough(Window window, Span span) {
    if (person.seenIn(span).size() < 2) {
      return true;
    }
    int missed = 0;
    int samples = 0;
    for (long us = span.startUs(); us < span.endUs(); us += MovingWindow.STEP_US) {
      Face face = person.faceAt(us);
      boolean holds = across(face).holds(window.x()) && down(face).holds(window.y());
      missed += holds ? 0 : 1;
      samples++;
    }
    return missed <= MISSED * samples;
  }

  private MovingWindow path() {
    MovingWindow known = path;
    if (known == null) {
      known = worked();
      path = known;
    }
    return known;
  }

  private MovingWindow worked() {
    Span seen = person.seen();
    int samples = (int) (seen.lengthUs() / MovingWindow.STEP_US) + 1;
    Range[] x = new Range[samples];
    Range[] y = new Range[samples];
    for (int i = 0; i < samples; i++) {
      Face face = person.faceAt(seen.startUs() + i * MovingWindow.STEP_US);
      x[i] = across(face);
      y[i] = down(face);
    }
    return new MovingWindow(
        seen,
        index,
        seen.startUs(),
        moved(steadiest(x, picture.width() - width), picture.x()),
        moved(steadiest(y, picture.height() - height), picture.y()),
        width,
        height);
  }

  private static double[] moved(double[] path, int by) {
    return by == 0 ? path : Arrays.stream(path).map(p -> p + by).toArray();
  }

  /** Where one position shows what it must nearly always, the window keeps to it on this axis. */
  private static double @Nullable [] resting(Range[] ranges) {
    double[] wanted = Arrays.stream(ranges).mapToDouble(Range::wanted).sorted().toArray();
    double middle = wanted[wanted.length / 2];
    long missed = Arrays.stream(ranges).filter(r -> !r.holds(middle)).count();
    if (missed > MISSED * ranges.length) {
      return null;
    }
    double[] path = new double[ranges.length];
    Arrays.fill(path, middle);
    return path;
  }

  private double[] steadiest(Range[] ranges, double end) {
    double[] rest = resting(ranges);
    if (rest != null) {
      return rest;
    }
    double[] path =
        SteadyPath.gathered(
            Arrays.stream(ranges).mapToDouble(Range::wanted).toArray(),
            Arrays.stream(ranges).mapToDouble(Range::least).toArray(),
            Arrays.stream(ranges).mapToDouble(Range::most).toArray(),
            costs,
            CREEPS);
    return Arrays.stream(path).map(p -> clamp(p, end)).toArray();
  }
}
