package paringknife.core.frame.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;

/** Faces are followed through shots; what is smoothed on them goes no further. */
class FollowedFaceTest {
  private static final long STEP_US = 200_000;

  private static Person.Sighting at(long us, double x) {
    return new Person.Sighting(us, new Face(x, 0.2, 0.1, 0.2, 0));
  }

  /** Seen five times a second, a hundredth further each time. */
  private static List<Person.Sighting> walking(long fromUs, long toUs) {
    List<Person.Sighting> seen = new ArrayList<>();
    for (long us = fromUs; us < toUs; us += STEP_US) {
      seen.add(at(us, 0.1 + 0.01 * us / STEP_US));
    }
    return seen;
  }

  private static List<FollowedFace> in(
      List<Person.Sighting> seen, List<Long> cuts, Span... stretches) {
    return FollowedFace.in(
        People.found(List.of(new Person(seen))), List.of(new ShotList(cuts)), List.of(stretches));
  }

  @Test
  void betweenSightingsAFaceIsOnItsWay() {
    List<FollowedFace> faces = in(walking(0, 4_000_000), List.of(), new Span(0, 4_000_000));
    assertThat(faces.size()).isEqualTo(1);
    assertThat(faces.get(0).at(1_100_000).x()).isCloseTo(0.155, within(1e-9));
    assertThat(faces.get(0).at(1_200_000).x()).isCloseTo(0.16, within(1e-9));
    assertThat(faces.get(0).at(4_190_000)).as("a little after it was last found").isNotNull();
    assertThat(faces.get(0).at(4_210_000)).isNull();
  }

  @Test
  void noFaceGoesOverACutOrALongAbsence() {
    List<Person.Sighting> seen = new ArrayList<>(walking(0, 2_000_000));
    seen.addAll(walking(2_000_000, 4_000_000).stream().map(s -> at(s.timeUs(), 0.7)).toList());
    seen.addAll(walking(6_000_000, 7_000_000));
    List<FollowedFace> faces = in(seen, List.of(0L, 2_000_000L), new Span(0, 8_000_000));
    assertThat(faces.size()).isEqualTo(3);
    assertThat(faces.get(0).shown()).isEqualTo(new Span(0, 2_000_000));
    assertThat(faces.get(1).shown()).isEqualTo(new Span(2_000_000, 4_200_000));
    assertThat(faces.get(1).at(2_000_000).x()).isEqualTo(0.7);
    assertThat(faces.get(2).shown()).isEqualTo(new Span(5_600_000, 7_200_000));
    assertThat(in(seen, List.of(0L, 2_000_000L), new Span(4_500_000, 5_000_000)).size())
        .as("a stretch in which nobody is seen")
        .isZero();
  }

  /** Stretches close to one another, or the same one again: nothing would be smoothed twice. */
  @Test
  void aFaceIsThereOnceHoweverStretchesLie() {
    List<FollowedFace> faces =
        in(
            walking(0, 9_000_000),
            List.of(),
            new Span(1_000_000, 3_000_000),
            new Span(3_200_000, 5_000_000),
            new Span(2_000_000, 3_000_000),
            new Span(8_000_000, 9_000_000));
    for (long us = 1_000_000; us < 9_000_000; us += 100_000) {
      long time = us;
      long there = faces.stream().filter(f -> f.at(time) != null).count();
      assertThat(there).as("at " + us).isLessThanOrEqualTo(1);
      assertThat(there == 1 || (us > 5_000_000 && us < 8_000_000)).as("at " + us).isTrue();
    }
  }

  /** A place that is the same to the last bit was not found again; the face moves on evenly. */
  @Test
  void placesThatWereTakenOverDoNotHoldAFaceUp() {
    List<Person.Sighting> seen =
        List.of(at(0, 0.1), at(200_000, 0.1), at(400_000, 0.1), at(600_000, 0.4));
    List<FollowedFace> faces = in(seen, List.of(), new Span(0, 600_000));
    assertThat(faces.get(0).at(300_000).x()).isCloseTo(0.25, within(1e-9));
  }
}
