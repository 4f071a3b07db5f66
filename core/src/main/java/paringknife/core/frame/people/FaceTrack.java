package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/**
 * One face followed through one shot.
 *
 * @param camera in which it is seen, counted from 0
 * @param sightings in order, never empty
 */
record FaceTrack(int camera, List<Person.Sighting> sightings) {
  /** Deviation of what a detector says of a face that does not stir, as a share of the picture. */
  private static final double UNSTIRRED = 0.0012;

  private static final long STILL_US = 60_000_000;

  Person.Sighting last() {
    return sightings.get(sightings.size() - 1);
  }

  private long seenUs() {
    return last().timeUs() - sightings.get(0).timeUs();
  }

  /** Whether it never stirs for so long that it is a poster or a picture on a screen. */
  boolean isPicture() {
    return seenUs() >= STILL_US && isUnstirred();
  }

  /** Whether it does not stir as long as it is followed. */
  boolean isUnstirred() {
    return deviation(Face::middleX) < UNSTIRRED
        && deviation(Face::y) < UNSTIRRED
        && deviation(Face::width) < UNSTIRRED;
  }

  /** Whether both may be of one face that does not stir, by where they begin. */
  boolean startsNear(FaceTrack other) {
    Face one = sightings.get(0).face();
    Face two = other.sightings().get(0).face();
    return Math.abs(one.middleX() - two.middleX()) < 10 * UNSTIRRED
        && Math.abs(one.y() - two.y()) < 10 * UNSTIRRED;
  }

  /** Followed on from where another one was lost. */
  FaceTrack and(FaceTrack later) {
    List<Person.Sighting> both = new ArrayList<>(sightings);
    both.addAll(later.sightings());
    return new FaceTrack(camera, both);
  }

  private double deviation(ToDoubleFunction<Face> of) {
    double mean = sightings.stream().map(Person.Sighting::face).mapToDouble(of).average().orElse(0);
    return Math.sqrt(
        sightings.stream()
            .map(Person.Sighting::face)
            .mapToDouble(f -> Math.pow(of.applyAsDouble(f) - mean, 2))
            .average()
            .orElse(0));
  }

  /** What they look like on the whole; null where it was not looked at. */
  @Nullable Appearance appearance() {
    List<Appearance> seen = new ArrayList<>();
    for (Person.Sighting sighting : sightings) {
      Appearance appearance = sighting.face().appearance();
      if (appearance != null) {
        seen.add(appearance);
      }
    }
    return seen.isEmpty() ? null : Appearance.mean(seen);
  }
}
