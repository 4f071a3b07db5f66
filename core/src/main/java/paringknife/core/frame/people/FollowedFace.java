package paringknife.core.frame.people;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;

/**
 * A face followed through a shot of one camera.
 *
 * @param shown when it is taken to be there: a little longer than it was found, within its shot
 * @param sightings in order, at least one; in between it is on the way from one to the next
 */
public record FollowedFace(int camera, Span shown, List<Person.Sighting> sightings) {
  /** A face that was not found for longer is not followed on. */
  private static final long LOST_US = 1_000_000;

  /** It is taken to be there so long before it was found, and after. */
  private static final long BESIDE_US = 400_000;

  public FollowedFace {
    sightings = List.copyOf(sightings);
  }

  /** Where it is at a time; null where it is not seen. */
  public @Nullable Face at(long us) {
    if (!shown.contains(us)) {
      return null;
    }
    int next = Person.firstNotBefore(sightings, us);
    Person.Sighting after = sightings.get(Math.min(next, sightings.size() - 1));
    Person.Sighting before = sightings.get(Math.max(0, next - 1));
    long apart = after.timeUs() - before.timeUs();
    return apart == 0
        ? after.face()
        : before.face().towards(after.face(), (us - before.timeUs()) / (double) apart);
  }

  /**
   * The faces that are seen in some stretches, each once, however the stretches lie.
   *
   * @param shots of each camera
   */
  public static List<FollowedFace> in(People people, List<ShotList> shots, List<Span> stretches) {
    List<Span> wider =
        stretches.stream()
            .map(s -> new Span(Math.max(0, s.startUs() - LOST_US), s.endUs() + LOST_US))
            .toList();
    List<FollowedFace> faces = new ArrayList<>();
    for (int camera = 0; camera < people.cameras(); camera++) {
      for (Person person : people.on(camera)) {
        List<Person.Sighting> seen =
            person.sightings().stream()
                .filter(s -> wider.stream().anyMatch(w -> w.contains(s.timeUs())))
                .toList();
        follow(camera, seen, shots.get(camera), faces);
      }
    }
    return faces.stream().filter(f -> stretches.stream().anyMatch(f.shown()::overlaps)).toList();
  }

  private static void follow(
      int camera, List<Person.Sighting> sightings, ShotList shots, List<FollowedFace> to) {
    List<Person.Sighting> followed = new ArrayList<>();
    Span shot = null;
    for (Person.Sighting sighting : sightings) {
      boolean goesOn =
          shot != null
              && shot.contains(sighting.timeUs())
              && sighting.timeUs() - followed.get(followed.size() - 1).timeUs() <= LOST_US;
      if (shot != null && !goesOn) {
        to.add(of(camera, shot, followed));
        followed.clear();
      }
      if (!goesOn) {
        shot = shots.around(sighting.timeUs());
      }
      followed.add(sighting);
    }
    if (shot != null) {
      to.add(of(camera, shot, followed));
    }
  }

  private static FollowedFace of(int camera, Span shot, List<Person.Sighting> sightings) {
    long first = sightings.get(0).timeUs() - BESIDE_US;
    long last = sightings.get(sightings.size() - 1).timeUs() + BESIDE_US;
    Span shown = new Span(Math.max(shot.startUs(), first), Math.min(shot.endUs(), last));
    return new FollowedFace(camera, shown, Person.moved(sightings));
  }
}
