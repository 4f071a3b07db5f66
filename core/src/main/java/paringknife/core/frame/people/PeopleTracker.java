package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
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

  /** Of one camera. */
  public static List<Person> people(List<FaceSample> samples, ShotList shots, double pictureRatio) {
    return acrossCameras(List.of(new Filmed(samples, shots, pictureRatio))).get(0);
  }

  /**
   * What one camera has filmed.
   *
   * @param samples the faces in its picture, at times of the episode
   * @param pictureRatio width of its picture by its height
   */
  public record Filmed(List<FaceSample> samples, ShotList shots, double pictureRatio) {
    private List<Span> parts() {
      return samples.isEmpty()
          ? List.of()
          : shots.parts(new Span(0, samples.get(samples.size() - 1).timeUs() + 1));
    }
  }

  /** The people of several cameras: for each camera all of them, in one order. */
  public static List<List<Person>> acrossCameras(List<Filmed> cameras) {
    List<FaceTracks> tracking = new ArrayList<>();
    List<FaceTrack> tracks = new ArrayList<>();
    for (int c = 0; c < cameras.size(); c++) {
      FaceTracks following = new FaceTracks(c, cameras.get(c).pictureRatio());
      tracking.add(following);
      List<FaceTrack> followed = new ArrayList<>();
      for (Span shot : cameras.get(c).parts()) {
        followed.addAll(following.in(shot, seenIn(shot, cameras.get(c).samples())));
      }
      tracks.addAll(Posters.without(followed));
    }
    List<List<Person>> people =
        new KnownAgain(tracking)
            .people(tracks).stream()
                .filter(p -> isSomebody(p, cameras))
                .sorted(Comparator.comparingDouble(PeopleTracker::place))
                .toList();
    return IntStream.range(0, cameras.size())
        .mapToObj(c -> people.stream().map(p -> p.get(c)).toList())
        .toList();
  }

  private static List<FaceSample> seenIn(Span shot, List<FaceSample> samples) {
    int from = firstNotBefore(shot.startUs(), samples);
    return samples.subList(from, firstNotBefore(shot.endUs(), samples));
  }

  private static int firstNotBefore(long us, List<FaceSample> samples) {
    int from = 0;
    int to = samples.size();
    while (from < to) {
      int middle = (from + to) / 2;
      if (samples.get(middle).timeUs() < us) {
        from = middle + 1;
      } else {
        to = middle;
      }
    }
    return from;
  }

  /** How far right somebody is in the first camera that sees them. */
  private static double place(List<Person> person) {
    return person.stream()
        .filter(Person::isSeen)
        .findFirst()
        .orElse(Person.NOBODY)
        .typicalFace(0, Long.MAX_VALUE)
        .middleX();
  }

  private static boolean isSomebody(List<Person> person, List<Filmed> cameras) {
    for (int c = 0; c < cameras.size(); c++) {
      Filmed camera = cameras.get(c);
      double least = Math.min(SURELY_SOMEBODY, Math.max(1, camera.samples().size() * LEAST_SHARE));
      if (person.get(c).isSeen()
          && (person.get(c).sightings().size() >= least || fillsAShot(person.get(c), camera))) {
        return true;
      }
    }
    return false;
  }

  private static boolean fillsAShot(Person person, Filmed camera) {
    for (Span shot : camera.parts()) {
      int seen = person.seenIn(shot).size();
      if (seen >= A_SECOND && 2 * seen >= seenIn(shot, camera.samples()).size()) {
        return true;
      }
    }
    return false;
  }
}
