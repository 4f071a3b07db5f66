package paringknife.core.frame;

import java.util.Arrays;
import java.util.List;
import paringknife.core.time.Span;

/**
 * Lays the window that follows one person through a stretch: it stands still while their face is in
 * its middle third and their eyes are between a quarter and two fifths from the top (common
 * practice), and moves by the {@link SteadyPath} that keeps it so otherwise.
 */
final class FollowedPerson {
  private static final double EYES_AT = 1 / 3.0;
  private static final double EYES_HIGHEST = 0.25;
  private static final double EYES_LOWEST = 0.4;

  /** So much of the time may a held window miss somebody before it is let move. */
  private static final double MISSED = 0.02;

  /** For samples of 0.2 s, calm: to go a pixel costs as much as being one off for eight seconds. */
  private static final SteadyPath.Costs CALM = new SteadyPath.Costs(0.1, 4, 1);

  /** Pixels a sample that nobody takes for a movement. */
  private static final double CREEPS = 0.5;

  private final int pictureWidth;
  private final int pictureHeight;
  private final double width;
  private final double height;

  /** Measures in pixels of the recording. */
  FollowedPerson(int pictureWidth, int pictureHeight, double width, double height) {
    this.pictureWidth = pictureWidth;
    this.pictureHeight = pictureHeight;
    this.width = width;
    this.height = height;
  }

  /** Positions of a window's edge: wanted, and between which it shows what it must. */
  private record Edge(double[] wanted, double[] least, double[] most) {
    Edge(int samples) {
      this(new double[samples], new double[samples], new double[samples]);
    }

    void at(int i, double want, double from, double to, double end) {
      wanted[i] = clamp(want, end);
      least[i] = clamp(Math.min(from, to), end);
      most[i] = clamp(Math.max(from, to), end);
    }

    private static double clamp(double value, double most) {
      return Math.max(0, Math.min(most, value));
    }

    /** How often a position shows too little. */
    double missed(double position) {
      int missed = 0;
      for (int i = 0; i < wanted.length; i++) {
        missed += position < least[i] || position > most[i] ? 1 : 0;
      }
      return missed / (double) wanted.length;
    }

    double[] steadiest(double end) {
      double[] path = SteadyPath.gathered(wanted, least, most, CALM, CREEPS);
      return Arrays.stream(path).map(p -> clamp(p, end)).toArray();
    }
  }

  /** The window over a stretch in which somebody is seen. */
  PlannedWindow over(Span span, Person person, int index) {
    Face typical = person.typicalFace(span.startUs(), span.endUs());
    double endX = pictureWidth - width;
    double endY = pictureHeight - height;
    double heldX = Edge.clamp(typical.middleX() * pictureWidth - width / 2, endX);
    double heldY = Edge.clamp(typical.eyesY() * pictureHeight - height * EYES_AT, endY);
    PlannedWindow held = new HeldWindow(span, new Window(heldX, heldY, width, height), index);
    List<Person.Sighting> seen = person.seenIn(span);
    if (seen.size() < 2) {
      return held;
    }
    int samples = (int) Math.max(1, span.lengthUs() / MovingWindow.STEP_US) + 1;
    Edge x = new Edge(samples);
    Edge y = new Edge(samples);
    for (int i = 0; i < samples; i++) {
      Face face = person.faceAt(span.startUs() + i * MovingWindow.STEP_US);
      double middle = face.middleX() * pictureWidth;
      double free = Math.max(0, Math.min(width / 6, (width - face.width() * pictureWidth) / 2));
      x.at(i, middle - width / 2, middle - width / 2 - free, middle - width / 2 + free, endX);
      double eyes = face.eyesY() * pictureHeight;
      y.at(
          i,
          eyes - height * EYES_AT,
          eyes - height * EYES_LOWEST,
          eyes - height * EYES_HIGHEST,
          endY);
    }
    if (x.missed(heldX) <= MISSED && y.missed(heldY) <= MISSED) {
      return held;
    }
    return new MovingWindow(span, index, x.steadiest(endX), y.steadiest(endY), width, height);
  }
}
