package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Knows people again after a shot, or after they had turned away: by what they look like, and by
 * where they are where that is not known. Nobody is in two places of one camera at once. Beginning
 * with who is seen longest, each track goes to whoever it is most like, at least {@value #ALIKE} on
 * the scale of {@link Appearance#likeness}; the place in the picture decides between those who are
 * nearly alike.
 */
final class KnownAgain {
  private static final double ALIKE = 0.88;

  /** So much more alike counts who is where somebody was before. */
  private static final double SAME_PLACE = 0.06;

  private static final double REACH = 1.0;

  /** Pictures in which both are seen that may be a slip. */
  private static final int SLIPS = 1;

  private final List<FaceTracks> cameras;

  /**
   * @param cameras what followed the faces of each
   */
  KnownAgain(List<FaceTracks> cameras) {
    this.cameras = cameras;
  }

  private record Moment(int camera, long timeUs) {}

  /** Somebody of whom one or more tracks are known. */
  private static final class Known {
    private final List<FaceTrack> tracks = new ArrayList<>();
    private final Set<Moment> times = new HashSet<>();
    private final List<Appearance> looks = new ArrayList<>();
    private @Nullable Appearance appearance;

    void add(FaceTrack track, @Nullable Appearance look) {
      tracks.add(track);
      track.sightings().forEach(s -> times.add(new Moment(track.camera(), s.timeUs())));
      if (look != null) {
        looks.add(look);
        appearance = Appearance.mean(looks);
      }
    }

    boolean isElsewhere(FaceTrack track) {
      return track.sightings().stream()
              .filter(s -> times.contains(new Moment(track.camera(), s.timeUs())))
              .count()
          > SLIPS;
    }

    Person in(int camera) {
      return new Person(
          tracks.stream()
              .filter(t -> t.camera() == camera)
              .flatMap(t -> t.sightings().stream())
              .sorted(Comparator.comparingLong(Person.Sighting::timeUs))
              .toList());
    }
  }

  /** What is seen of each person, camera by camera. */
  List<List<Person>> people(List<FaceTrack> all) {
    List<FaceTrack> longestFirst = new ArrayList<>(all);
    longestFirst.sort(Comparator.comparingInt((FaceTrack t) -> -t.sightings().size()));
    List<Known> people = new ArrayList<>();
    for (FaceTrack track : longestFirst) {
      Appearance look = track.appearance();
      Known best = null;
      double bestLike = ALIKE;
      for (Known known : people) {
        double like = likeness(known, track, look);
        if (like >= bestLike && !known.isElsewhere(track)) {
          best = known;
          bestLike = like;
        }
      }
      if (best == null) {
        best = new Known();
        people.add(best);
      }
      best.add(track, look);
    }
    return people.stream()
        .map(k -> IntStream.range(0, cameras.size()).mapToObj(k::in).toList())
        .toList();
  }

  private double likeness(Known known, FaceTrack track, @Nullable Appearance here) {
    Appearance there = known.appearance;
    boolean same =
        known.tracks.stream()
            .anyMatch(t -> t.camera() == track.camera() && isInSamePlace(t, track));
    if (here == null || there == null) {
      return same ? 1 : 0;
    }
    return here.likeness(there) + (same ? SAME_PLACE : 0);
  }

  /** Whether one begins where the other ends. */
  private boolean isInSamePlace(FaceTrack known, FaceTrack track) {
    boolean after = track.sightings().get(0).timeUs() > known.last().timeUs();
    Face before = (after ? known : track).last().face();
    Face next = (after ? track : known).sightings().get(0).face();
    return cameras.get(known.camera()).apart(before, next) <= REACH;
  }
}
