package paringknife.core.frame.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;

/**
 * Two people in a conversation of four shots: both from afar, each of them close, both again. Ada
 * wears red, Ben blue; close they are in the same place.
 */
class KnownAgainTest {
  private static final long SHOT_US = 10_000_000;
  private static final ShotList SHOTS =
      new ShotList(List.of(0L, SHOT_US, 2 * SHOT_US, 3 * SHOT_US));
  private static final double WIDE = 16 / 9.0;
  private static final int RED = 170;
  private static final int BLUE = 90;

  /** Somebody with clothes of a colour: from green to red, 128 for neither. */
  private static Appearance wearing(int colour, int lightness) {
    Appearance.Counted counted = new Appearance.Counted();
    for (Appearance.Region region : Appearance.Region.values()) {
      boolean clothes = region == Appearance.Region.CLOTHES;
      for (int n = 0; n < 50; n++) {
        counted.add(region, lightness + n, clothes ? colour : 140, 130);
      }
    }
    return counted.finish();
  }

  private static Face face(double x, double width, int colour, long us) {
    int light = 90 + (int) (us / SHOT_US) * 6;
    double sway = 0.004 * Math.sin(us / 2e6 + x);
    Appearance looked = us % 1_000_000 == 0 ? wearing(colour, light) : null;
    return new Face(x + sway, 0.3, width, width * WIDE, 3, looked);
  }

  private static List<FaceSample> conversation() {
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < 4 * SHOT_US; us += 200_000) {
      int shot = (int) (us / SHOT_US);
      List<Face> faces =
          shot == 1
              ? List.of(face(0.4, 0.2, RED, us))
              : shot == 2
                  ? List.of(face(0.4, 0.2, BLUE, us))
                  : List.of(face(0.2, 0.1, RED, us), face(0.7, 0.1, BLUE, us));
      samples.add(new FaceSample(us, faces));
    }
    return samples;
  }

  private static List<Person> people() {
    return PeopleTracker.people(conversation(), SHOTS, WIDE);
  }

  private static Span shot(int number) {
    return new Span(number * SHOT_US, (number + 1) * SHOT_US);
  }

  @Test
  void eachIsOnePersonInAllShots() {
    assertThat(people()).hasSize(2);
    Person ada = people().get(0);
    assertThat(ada.seenIn(shot(1))).hasSize(50);
    assertThat(ada.seenIn(shot(2))).isEmpty();
    assertThat(ada.typicalFace(0, SHOT_US).middleX()).isCloseTo(0.25, within(0.01));
    assertThat(people().get(1).seenIn(shot(2))).hasSize(50);
    assertThat(people().get(1).seenIn(shot(3))).hasSize(50);
  }

  /** Followed by place alone, the second close shot would go on with the face of the first. */
  @Test
  void noTrackReachesAcrossAShot() {
    FaceTracks tracks = new FaceTracks(0, WIDE);
    assertThat(tracks.in(shot(1), conversation())).hasSize(1);
    assertThat(tracks.in(shot(2), conversation()))
        .singleElement()
        .satisfies(t -> assertThat(t.sightings().get(0).timeUs()).isEqualTo(2 * SHOT_US));
  }

  @Test
  void twoWhoAreSeenAtOnceAreTwoHoweverAlikeTheyAre() {
    List<FaceSample> twins = new ArrayList<>();
    for (long us = 0; us < SHOT_US; us += 200_000) {
      twins.add(new FaceSample(us, List.of(face(0.2, 0.1, RED, us), face(0.7, 0.1, RED, us))));
    }
    assertThat(PeopleTracker.people(twins, ShotList.ONE, WIDE)).hasSize(2);
  }

  /** Ten seconds with the back to the camera, in a recording of which nothing was looked at. */
  @Test
  void whoTurnsAwayForTenSecondsIsTheSameAfterwards() {
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < 30_000_000; us += 200_000) {
      boolean away = us >= 10_000_000 && us < 20_000_000;
      samples.add(new FaceSample(us, away ? List.of() : List.of(new Face(0.4, 0.3, 0.1, 0.18, 1))));
    }
    assertThat(PeopleTracker.people(samples, ShotList.ONE, WIDE)).hasSize(1);
  }

  /** Gaps of up to a second are bridged within a track (an hour's detector blinks now and then). */
  @Test
  void aGapOfASecondIsBridged() {
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < SHOT_US; us += 200_000) {
      boolean blinked = us > 4_000_000 && us < 5_000_000;
      samples.add(
          new FaceSample(us, blinked ? List.of() : List.of(new Face(0.4, 0.3, 0.1, 0.18, 1))));
    }
    assertThat(new FaceTracks(0, WIDE).in(shot(0), samples)).hasSize(1);
  }

  @Test
  void twoThatAreJoinedAreMeantByBothNumbers() {
    People people = People.found(people());
    People joined = people.with(new PeopleCorrection.Joined(0, 1), List.of(SHOTS));
    assertThat(joined.now(0)).isEqualTo(1);
    assertThat(joined.on(0).get(0).isSeen()).isFalse();
    assertThat(joined.on(0).get(1).seenIn(shot(1))).hasSize(50);
    assertThat(joined.on(0).get(1).seenIn(shot(0)))
        .as("where both are seen the one joined to counts")
        .hasSize(50)
        .allMatch(s -> s.face().x() > 0.5);
    assertThatThrownBy(() -> joined.with(new PeopleCorrection.Joined(0, 1), List.of(SHOTS)))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void whoIsSeenInAShotCanBeSomebodyElse() {
    People parted =
        People.found(people())
            .with(new PeopleCorrection.NotThis(0, 0, 15_000_000, -1), List.of(SHOTS));
    assertThat(parted.on(0)).hasSize(3);
    assertThat(parted.on(0).get(0).seenIn(shot(1))).isEmpty();
    assertThat(parted.on(0).get(2).seenIn(shot(1))).hasSize(50);
    People moved = parted.with(new PeopleCorrection.NotThis(2, 0, 15_000_000, 1), List.of(SHOTS));
    assertThat(moved.on(0).get(2).isSeen()).isFalse();
    assertThat(moved.on(0).get(1).seenIn(shot(1))).hasSize(50);
  }

  @Test
  void aNameGoesWithWhomItWasGivenTo() {
    People people =
        People.found(people())
            .with(new PeopleCorrection.Named(0, " Ada Moor "), List.of(SHOTS))
            .with(new PeopleCorrection.Joined(0, 1), List.of(SHOTS));
    assertThat(people.nameOf(1)).contains("Ada Moor");
    assertThat(people.nameOf(0)).isEmpty();
  }

  @Test
  void whatIsAboutNobodyIsRefused() {
    People people = People.found(people());
    assertThatThrownBy(() -> people.with(new PeopleCorrection.Dismissed(7), List.of(SHOTS)))
        .hasMessageContaining("no such person");
    assertThatThrownBy(
            () -> people.with(new PeopleCorrection.NotThis(0, 0, 25_000_000, 1), List.of(SHOTS)))
        .hasMessageContaining("not seen in that shot");
    assertThatThrownBy(() -> new PeopleCorrection.Named(0, " "))
        .isInstanceOf(IllegalArgumentException.class);
    People without = people.with(new PeopleCorrection.Dismissed(0), List.of(SHOTS));
    assertThatThrownBy(() -> without.with(new PeopleCorrection.Named(0, "Ada"), List.of(SHOTS)))
        .hasMessageContaining("no such person");
  }
}
