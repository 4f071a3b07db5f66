package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;

/**
 * Finds the people of a recording: faces are followed through each shot ({@link FaceTracks}) and
 * known again in others ({@link KnownAgain}). Those seen in less than {@value #LEAST_SHARE} of the
 * pictures and in no shot for half of it are dropped as chance finds, and those that never stir for
 * a minute as posters and pictures on screens: nobody sits as still as that. People come out from
 * left to right.
 */
public final class PeopleTracker {
  private static final double LEAST_SHARE = 0.05;

  /** Who is seen in so many pictures is somebody, however long the recording is. */
  private static final int SURELY_SOMEBODY = 50;

  /** Pictures. */
  private static final int A_SECOND = 5;

  private static final double WIDE = 16 / 9.0;

  private PeopleTracker() {}

  /** All of it is one shot of a wide picture. */
  public static List<Person> people(List<FaceSample> samples) {
    return people(samples, ShotList.ONE, WIDE);
  }

  /**
   * @param pictureRatio width of the picture by its height
   */
  public static List<Person> people(List<FaceSample> samples, ShotList shots, double pictureRatio) {
    if (samples.isEmpty()) {
      return List.of();
    }
    FaceTracks tracking = new FaceTracks(pictureRatio);
    List<FaceTrack> tracks = new ArrayList<>();
    List<Span> parts = shots.parts(new Span(0, samples.get(samples.size() - 1).timeUs() + 1));
    List<Integer> pictures = new ArrayList<>();
    int from = 0;
    for (Span shot : parts) {
      int to = from;
      while (to < samples.size() && samples.get(to).timeUs() < shot.endUs()) {
        to++;
      }
      List<FaceSample> seen = samples.subList(from, to);
      tracking.in(shot, seen).stream().filter(t -> !t.isPicture()).forEach(tracks::add);
      pictures.add(to - from);
      from = to;
    }
    double least = Math.min(SURELY_SOMEBODY, Math.max(1, samples.size() * LEAST_SHARE));
    return new KnownAgain(tracking)
        .people(tracks).stream()
            .filter(p -> p.sightings().size() >= least || fillsAShot(p, parts, pictures))
            .sorted(Comparator.comparingDouble(p -> p.typicalFace(0, Long.MAX_VALUE).middleX()))
            .toList();
  }

  private static boolean fillsAShot(Person person, List<Span> shots, List<Integer> pictures) {
    for (int s = 0; s < shots.size(); s++) {
      int seen = person.seenIn(shots.get(s)).size();
      if (seen >= A_SECOND && 2 * seen >= pictures.get(s)) {
        return true;
      }
    }
    return false;
  }
}
