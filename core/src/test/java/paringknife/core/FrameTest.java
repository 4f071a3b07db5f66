package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.Framed;
import paringknife.core.frame.PlannedFrame;
import paringknife.core.frame.PlannedWindow;
import paringknife.core.frame.Shape;
import paringknife.core.frame.Window;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.people.SpeakerPlacement;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class FrameTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("I learned three things that night.")
          .speaker("Ben")
          .say("Yes.")
          .speaker("Ada")
          .say("Never leave the sluice half open.")
          .speaker("Ben")
          .say("And did you get up at four in the morning?");

  /** Ada sits on the right, Ben on the left; mouths move when their owner speaks. */
  private static List<Person> people(Transcript transcript) {
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < 12_000_000; us += 200_000) {
      int at = transcript.firstEndingAfter(us);
      Word word = at < transcript.words().size() ? transcript.words().get(at) : null;
      int speaking = word != null && word.startUs() <= us ? word.speaker() : -1;
      List<Face> faces = new ArrayList<>();
      double sway = 0.004 * Math.sin(us / 3e6);
      faces.add(new Face(0.70 + sway, 0.3, 0.1, 0.2, speaking == 0 ? 6 : 1));
      if (us % 1_000_000 != 0) {
        faces.add(new Face(0.20 - sway, 0.3, 0.1, 0.2, speaking == 1 ? 6 : 1));
      }
      if (us == 3_000_000) {
        faces.add(new Face(0.5, 0.8, 0.05, 0.1, 0));
      }
      samples.add(new FaceSample(us, faces));
    }
    return PeopleTracker.people(samples);
  }

  private static List<PlannedWindow> windows(
      CameraPlanner planner, List<Span> stretches, CutList cuts, Framed framed, Shape shape) {
    return planner.plan(stretches, cuts, framed, shape).stream().map(PlannedFrame::first).toList();
  }

  @Test
  void peopleAreFollowedAndChanceFindsDropped() {
    List<Person> people = people(TALK.transcript());
    assertThat(people).hasSize(2);
    assertThat(people.get(0).typicalFace(0, Long.MAX_VALUE).middleX())
        .isCloseTo(0.25, within(0.01));
  }

  /** A detector is never quite sure of a box, even where nothing stirs. */
  @Test
  void aFaceOnAPosterIsNobodyAndSomebodyWhoSitsStillIs() {
    java.util.Random random = new java.util.Random(4);
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < 180_000_000; us += 200_000) {
      double unsure = 0.0005 * random.nextGaussian();
      double sway = 0.003 * Math.sin(us / 7e6);
      samples.add(
          new FaceSample(
              us,
              List.of(
                  new Face(0.8 + unsure, 0.2, 0.06, 0.1, 0.1),
                  new Face(0.3 + sway, 0.3 - sway, 0.1, 0.2, 1))));
    }
    List<Person> people = PeopleTracker.people(samples);
    assertThat(people).hasSize(1);
    assertThat(people.get(0).typicalFace(0, Long.MAX_VALUE).middleX())
        .isCloseTo(0.35, within(0.01));
    assertThat(PeopleTracker.people(samples.subList(0, 100)))
        .as("twenty seconds are too short to tell")
        .hasSize(2);
  }

  @Test
  void twelveFacesAreTwelvePeople() {
    List<FaceSample> samples = new ArrayList<>();
    for (int n = 0; n < 30; n++) {
      List<Face> faces = new ArrayList<>();
      for (int f = 0; f < 12; f++) {
        double sway = 0.004 * Math.sin(n + f);
        faces.add(new Face(0.02 + f % 6 * 0.16 + sway, f < 6 ? 0.1 : 0.6, 0.06, 0.12, 1));
      }
      samples.add(new FaceSample(n * 200_000L, faces));
    }
    assertThat(PeopleTracker.people(samples)).hasSize(12);
  }

  @Test
  void speakersAreFoundByTheirMouths() {
    SpeakerPlacement placement = SpeakerPlacement.of(people(TALK.transcript()), TALK.transcript());
    assertThat(placement.personOf(0)).isEqualTo(1);
    assertThat(placement.personOf(1)).isEqualTo(0);
  }

  @Test
  void theFrameHoldsWhoeverSpeaksAndIgnoresAShortYes() {
    Transcript transcript = TALK.transcript();
    CameraPlanner planner = CameraPlanner.of(1280, 720, people(transcript), transcript);
    List<PlannedWindow> windows =
        windows(
            planner,
            TALK.clip().stretches(),
            TALK.clip().cuts(transcript),
            Framed.UPRIGHT,
            new Shape(9, 16));
    assertThat(windows).extracting(PlannedWindow::person).containsExactly(1, 0);
    for (PlannedWindow window : windows) {
      assertThat(window.at(0).width() / window.at(0).height()).isCloseTo(9 / 16.0, within(1e-9));
      assertThat(window.at(0).x()).isBetween(0.0, 1280 - window.at(0).width());
      assertThat(window.at(0).y()).isBetween(0.0, 720 - window.at(0).height());
      double face = (window.person() == 1 ? 0.75 : 0.25) * 1280;
      assertThat(window.at(0).x() + window.at(0).width() / 2).isCloseTo(face, within(8.0));
    }
    assertThat(windows.get(0).span().endUs()).isEqualTo(windows.get(1).span().startUs());
  }

  @Test
  void withoutFacesTheMiddleIsHeld() {
    CameraPlanner planner = CameraPlanner.of(1920, 1080, List.of(), TALK.transcript());
    PlannedWindow window =
        planner
            .plan(
                TALK.clip().stretches(),
                TALK.clip().cuts(TALK.transcript()),
                Framed.UPRIGHT,
                new Shape(9, 16))
            .get(0)
            .first();
    assertThat(window.at(0).width()).isCloseTo(607.5, within(1e-9));
    assertThat(window.at(0).x()).isCloseTo((1920 - 607.5) / 2, within(1e-9));
  }

  /** Ada in one shot, Ben in another, both in the middle of the picture; then Ada again. */
  @Test
  void whoSpeaksIsFoundInEachShotAndTheWindowChangesWithIt() {
    Transcript transcript = TALK.transcript();
    long cut = transcript.words().get(7).startUs() - 100_000;
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < 12_000_000; us += 200_000) {
      double x = us < cut ? 0.2 : 0.62;
      samples.add(new FaceSample(us, List.of(new Face(x, 0.3, 0.1, 0.2, 5))));
    }
    CameraPlanner planner =
        CameraPlanner.of(
            1280, 720, PeopleTracker.people(samples), new ShotList(List.of(0L, cut)), transcript);
    Span whole = new Span(0, 12_000_000);
    List<PlannedWindow> windows =
        windows(
            planner,
            List.of(whole),
            Pared.of(List.of(whole)).cuts(transcript),
            Framed.UPRIGHT,
            new Shape(9, 16));
    assertThat(windows).extracting(PlannedWindow::person).containsExactly(0, 1);
    assertThat(windows.get(0).span()).isEqualTo(new Span(0, cut));
    assertThat(windows.get(1).span()).isEqualTo(new Span(cut, 12_000_000));
    for (int i = 0; i < 2; i++) {
      Window window = windows.get(i).at(cut);
      double middle = (i == 0 ? 0.25 : 0.67) * 1280;
      assertThat(window.x() + window.width() / 2).isCloseTo(middle, within(1.0));
    }
  }
}
