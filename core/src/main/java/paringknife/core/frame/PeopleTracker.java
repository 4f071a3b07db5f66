package paringknife.core.frame;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * Follows faces from picture to picture: a face belongs to the person whose last sighting is
 * nearest, at most {@value #REACH} face widths away; otherwise a new person begins. Those seen in
 * less than {@value #LEAST_SHARE} of the pictures are dropped as chance finds, and those that never
 * stir for {@value #STILL_US} microseconds or more as posters and pictures on screens: nobody sits
 * as still as that. People come out from left to right.
 */
public final class PeopleTracker {
  private static final double REACH = 1.0;
  private static final double LEAST_SHARE = 0.05;
  private static final long STILL_US = 60_000_000;

  /** Deviation of what a detector says of a face that does not stir, as a share of the picture. */
  private static final double UNSTIRRED = 0.0012;

  private PeopleTracker() {}

  public static List<Person> people(List<FaceSample> samples) {
    List<List<Person.Sighting>> tracks = new ArrayList<>();
    for (FaceSample sample : samples) {
      List<List<Person.Sighting>> free = new ArrayList<>(tracks);
      for (Face face : sample.faces()) {
        List<Person.Sighting> track =
            free.stream()
                .filter(t -> distance(last(t), face) <= REACH * face.width())
                .min(Comparator.comparingDouble(t -> distance(last(t), face)))
                .orElse(null);
        if (track == null) {
          track = new ArrayList<>();
          tracks.add(track);
        } else {
          free.remove(track);
        }
        track.add(new Person.Sighting(sample.timeUs(), face));
      }
    }
    double least = Math.max(1, samples.size() * LEAST_SHARE);
    return tracks.stream()
        .filter(t -> t.size() >= least)
        .filter(t -> !isPicture(t))
        .map(Person::new)
        .sorted(Comparator.comparingDouble(p -> p.typicalFace(0, Long.MAX_VALUE).middleX()))
        .toList();
  }

  private static boolean isPicture(List<Person.Sighting> track) {
    long seenUs = track.get(track.size() - 1).timeUs() - track.get(0).timeUs();
    return seenUs >= STILL_US
        && deviation(track, Face::middleX) < UNSTIRRED
        && deviation(track, Face::y) < UNSTIRRED
        && deviation(track, Face::width) < UNSTIRRED;
  }

  private static double deviation(List<Person.Sighting> track, ToDoubleFunction<Face> of) {
    double mean = track.stream().map(Person.Sighting::face).mapToDouble(of).average().orElse(0);
    return Math.sqrt(
        track.stream()
            .map(Person.Sighting::face)
            .mapToDouble(f -> Math.pow(of.applyAsDouble(f) - mean, 2))
            .average()
            .orElse(0));
  }

  private static Face last(List<Person.Sighting> track) {
    return track.get(track.size() - 1).face();
  }

  private static double distance(Face a, Face b) {
    return Math.hypot(a.middleX() - b.middleX(), a.y() + a.height() / 2 - b.y() - b.height() / 2);
  }
}
