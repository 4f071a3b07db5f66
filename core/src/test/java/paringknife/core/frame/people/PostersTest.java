package paringknife.core.frame.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What never stirs for a minute is nobody, also where it is lost in between. */
class PostersTest {
  private static final long STEP_US = 200_000;

  /** A face every fifth of a second, which goes to and fro by a share of the picture. */
  private static FaceTrack track(double x, long fromS, long toS, double stirs) {
    List<Person.Sighting> sightings = new ArrayList<>();
    for (long us = fromS * 1_000_000; us < toS * 1_000_000; us += STEP_US) {
      double now = x + stirs * Math.sin(us / 1e6);
      sightings.add(new Person.Sighting(us, new Face(now, 0.2, 0.07, 0.12, 0, null)));
    }
    return new FaceTrack(0, sightings);
  }

  @Test
  void aPosterThatIsLostForMomentsIsAPosterAllTheSame() {
    FaceTrack person = track(0.6, 0, 75, 0.01);
    List<FaceTrack> tracks =
        List.of(
            track(0.17, 0, 6, 0.0004),
            person,
            track(0.1703, 8, 40, 0.0004),
            track(0.1699, 43, 75, 0.0004));
    assertThat(Posters.without(tracks)).hasSize(1).first().isSameAs(person);
  }

  @Test
  void whoIsSeenForLessThanAMinuteMayHaveSatStill() {
    assertThat(Posters.without(List.of(track(0.17, 0, 20, 0), track(0.17, 25, 50, 0)))).hasSize(2);
  }

  /** Close by, but not at the same place: somebody who moved over. */
  @Test
  void whoMovesOverIsNoPoster() {
    assertThat(Posters.without(List.of(track(0.17, 0, 40, 0), track(0.185, 41, 80, 0)))).hasSize(2);
  }
}
