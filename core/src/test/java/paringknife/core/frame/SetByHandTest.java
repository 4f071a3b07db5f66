package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** Ada (right) and Ben (left) take turns; a shot ends in the middle of Ada's second one. */
class SetByHandTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("I learned three things that night.")
          .speaker("Ben")
          .say("And did you get up at four?")
          .speaker("Ada")
          .say("Never leave the sluice half open to the tide.");

  private static final Transcript TRANSCRIPT = TALK.transcript();
  private static final int ADA = 1;
  private static final int BEN = 0;
  private static final Shape UPRIGHT = new Shape(9, 16);
  private static final Span WHOLE = new Span(0, 9_000_000);
  private static final long BENS_TURN = TRANSCRIPT.words().get(6).startUs() - 80_000;
  private static final long ADAS_TURN = TRANSCRIPT.words().get(13).startUs() - 80_000;
  private static final long NEXT_SHOT = 7_000_000;

  private static final SetFrame.Shown HERE =
      new SetFrame.Shown.Still(new PlacedWindow(0.5, 0.5, 0.5));
  private static final SetFrame.Shown THERE =
      new SetFrame.Shown.Still(new PlacedWindow(0.3, 0.5, 0.4));

  private final CameraPlanner planner =
      CameraPlanner.of(1280, 720, people(), new ShotList(List.of(0L, NEXT_SHOT)), TRANSCRIPT);

  private static List<Person> people() {
    List<FaceSample> samples = new ArrayList<>();
    for (long us = 0; us < WHOLE.endUs(); us += 200_000) {
      int at = TRANSCRIPT.firstEndingAfter(us);
      Word word = at < TRANSCRIPT.words().size() ? TRANSCRIPT.words().get(at) : null;
      int speaking = word != null && word.startUs() <= us ? word.speaker() : -1;
      samples.add(
          new FaceSample(
              us,
              List.of(
                  new Face(0.2, 0.3, 0.1, 0.2, speaking == 1 ? 6 : 1),
                  new Face(0.7, 0.3, 0.1, 0.2, speaking == 0 ? 6 : 1))));
    }
    return PeopleTracker.people(samples);
  }

  private List<PlannedFrame> plan(Framed framed) {
    return plan(framed, List.of(WHOLE));
  }

  private List<PlannedFrame> plan(Framed framed, List<Span> stretches) {
    CutList cuts = Pared.of(stretches).cuts(TRANSCRIPT);
    List<PlannedFrame> frames = planner.plan(stretches, cuts, framed, framed.shape());
    long covered = frames.stream().mapToLong(f -> f.span().lengthUs()).sum();
    assertThat(covered).isEqualTo(stretches.stream().mapToLong(Span::lengthUs).sum());
    return frames;
  }

  private PlannedFrame at(List<PlannedFrame> frames, long us) {
    return frames.stream().filter(f -> f.span().contains(us)).findFirst().orElseThrow();
  }

  private static Framed framed(Layout layout) {
    return Framed.of(UPRIGHT, layout);
  }

  private static double middle(Window window) {
    return window.x() + window.width() / 2;
  }

  @Test
  void aStretchHoldsWhatWasSetAndNothingElseChanges() {
    Span set = new Span(1_000_000, 2_000_000);
    Framed framed = framed(Layout.SPEAKER).and(new SetFrame.Extent.Stretch(set), HERE);
    List<PlannedFrame> frames = plan(framed);
    PlannedFrame here = at(frames, 1_500_000);
    assertThat(here.span()).isEqualTo(set);
    assertThat(here.setBy()).isEqualTo(1);
    assertThat(here.first().at(0).height()).isEqualTo(360);
    assertThat(middle(here.first().at(0))).isCloseTo(640, within(1e-9));
    List<PlannedFrame> untouched = plan(framed(Layout.SPEAKER));
    for (long us : new long[] {500_000, 2_500_000, 5_000_000, 8_000_000}) {
      assertThat(at(frames, us).first().at(us)).isEqualTo(at(untouched, us).first().at(us));
      assertThat(at(frames, us).setBy()).isEqualTo(FramePath.BY_ITSELF);
    }
  }

  @Test
  void fromHereOnHoldsToTheEndOrToTheNext() {
    Framed framed =
        framed(Layout.SPEAKER)
            .and(new SetFrame.Extent.FromHere(6_000_000), THERE)
            .and(new SetFrame.Extent.FromHere(2_000_000), HERE);
    List<PlannedFrame> frames = plan(framed);
    assertThat(at(frames, 1_900_000).setBy()).isEqualTo(FramePath.BY_ITSELF);
    assertThat(at(frames, 2_000_000).setBy()).isEqualTo(2);
    assertThat(at(frames, 5_990_000).setBy()).isEqualTo(2);
    assertThat(at(frames, 6_000_000).setBy()).isEqualTo(1);
    assertThat(at(frames, 8_990_000).setBy()).as("over the shot too").isEqualTo(1);
  }

  @Test
  void fromHereOnGoesOnInWhatPlaysNextWhereverThatWasSaid() {
    List<Span> stretches = List.of(new Span(6_000_000, 8_000_000), new Span(0, 2_000_000));
    Framed framed = framed(Layout.SPEAKER).and(new SetFrame.Extent.FromHere(7_500_000), HERE);
    List<PlannedFrame> frames = plan(framed, stretches);
    assertThat(at(frames, 7_000_000).setBy()).isEqualTo(FramePath.BY_ITSELF);
    assertThat(at(frames, 7_600_000).setBy()).isEqualTo(1);
    assertThat(at(frames, 500_000).setBy()).as("played after it").isEqualTo(1);
  }

  @Test
  void whenSomebodySpeaksItHoldsInAllTheirTurns() {
    Framed framed = framed(Layout.SPEAKER).and(new SetFrame.Extent.Speaking(ADA), HERE);
    List<PlannedFrame> frames = plan(framed);
    assertThat(at(frames, 1_000_000).setBy()).isEqualTo(1);
    assertThat(at(frames, BENS_TURN + 500_000).setBy()).isEqualTo(FramePath.BY_ITSELF);
    assertThat(at(frames, BENS_TURN + 500_000).first().person()).isEqualTo(BEN);
    assertThat(at(frames, ADAS_TURN + 100_000).setBy()).isEqualTo(1);
    assertThat(at(frames, NEXT_SHOT + 500_000).setBy()).isEqualTo(1);
  }

  @Test
  void aShotIsHeldFromItsFirstPictureToItsLast() {
    Framed framed = framed(Layout.SPEAKER).and(new SetFrame.Extent.Shot(8_000_000), HERE);
    List<PlannedFrame> frames = plan(framed);
    assertThat(at(frames, NEXT_SHOT - 1).setBy()).isEqualTo(FramePath.BY_ITSELF);
    assertThat(at(frames, NEXT_SHOT).setBy()).isEqualTo(1);
    assertThat(at(frames, 8_999_999).setBy()).isEqualTo(1);
  }

  @Test
  void whatIsNarrowerHoldsOverWhatIsWiderWhicheverCameFirst() {
    Framed framed =
        framed(Layout.SPEAKER)
            .and(new SetFrame.Extent.Stretch(new Span(7_500_000, 8_000_000)), THERE)
            .and(new SetFrame.Extent.Shot(8_000_000), HERE)
            .and(new SetFrame.Extent.FromHere(0), HERE)
            .and(new SetFrame.Extent.Speaking(ADA), HERE);
    List<PlannedFrame> frames = plan(framed);
    assertThat(at(frames, 7_600_000).setBy()).as("stretch").isEqualTo(1);
    assertThat(at(frames, 7_100_000).setBy()).as("shot").isEqualTo(2);
    assertThat(at(frames, 1_000_000).setBy()).as("from here on").isEqualTo(3);
  }

  @Test
  void whatIsSetForTheSamePlaceTakesItsPlace() {
    SetFrame.Extent extent = new SetFrame.Extent.Shot(0);
    Framed framed = framed(Layout.SPEAKER).and(extent, HERE).and(extent, THERE);
    assertThat(framed.set()).containsExactly(new SetFrame(2, extent, THERE));
  }

  @Test
  void aWindowTravelsFromOnePlaceToTheOtherOverShotsToo() {
    Span way = new Span(6_000_000, 8_000_000);
    Framed framed =
        framed(Layout.SPEAKER)
            .and(
                new SetFrame.Extent.Stretch(way),
                new SetFrame.Shown.Travel(
                    new PlacedWindow(0.3, 0.5, 0.5), new PlacedWindow(0.7, 0.5, 1), Curve.EVEN));
    List<PlannedFrame> frames = plan(framed);
    assertThat(middle(at(frames, 6_000_000).first().at(6_000_000))).isCloseTo(384, within(1e-6));
    Window half = at(frames, 7_000_000).first().at(7_000_000);
    assertThat(middle(half)).isCloseTo(640, within(1e-6));
    assertThat(half.height()).isCloseTo(540, within(1e-6));
    assertThat(middle(at(frames, 7_999_999).first().at(7_999_999))).isCloseTo(896, within(0.01));
  }

  @Test
  void neitherParingNorCorrectingMovesWhatWasSet() {
    Framed framed =
        framed(Layout.SPEAKER)
            .and(new SetFrame.Extent.Stretch(new Span(1_000_000, 2_000_000)), HERE);
    CutList cuts =
        new CutList(
            List.of(new Span(0, 1_200_000), new Span(1_600_000, 9_000_000)),
            List.of(new Span(1_200_000, 1_600_000)));
    CameraPlanner corrected =
        CameraPlanner.of(
            1280,
            720,
            people(),
            new ShotList(List.of(0L, NEXT_SHOT)),
            new Transcript("en", TRANSCRIPT.speakers(), TRANSCRIPT.words().subList(0, 9)));
    for (CameraPlanner each : List.of(planner, corrected)) {
      PlannedFrame here = at(each.plan(List.of(WHOLE), cuts, framed, UPRIGHT), 1_100_000);
      assertThat(here.span()).isEqualTo(new Span(1_000_000, 2_000_000));
      assertThat(here.first().at(0)).isEqualTo(at(plan(framed), 1_500_000).first().at(0));
    }
  }

  @Test
  void severalPeopleHavePanesOfTheirOwnThatDoNotOverlap() {
    for (Arrangement arrangement : List.of(Arrangement.STACKED, Arrangement.BESIDE)) {
      PlannedFrame frame = plan(framed(new Layout.Together(List.of(ADA, BEN), arrangement))).get(0);
      assertThat(frame.panes()).hasSize(2);
      Place one = frame.panes().get(0).place();
      Place other = frame.panes().get(1).place();
      assertThat(one.x() + one.width() <= other.x() || one.y() + one.height() <= other.y())
          .isTrue();
      assertThat(middle(frame.panes().get(0).window().at(0))).isCloseTo(960, within(1.0));
      assertThat(middle(frame.panes().get(1).window().at(0))).isCloseTo(320, within(1.0));
      for (PlannedFrame.Pane pane : frame.panes()) {
        Window window = pane.window().at(0);
        double ratio = pane.place().width() / pane.place().height() * 9 / 16;
        assertThat(window.width() / window.height()).isCloseTo(ratio, within(1e-6));
      }
    }
    PlannedFrame inset =
        plan(framed(new Layout.Together(List.of(ADA, BEN), Arrangement.INSET))).get(0);
    assertThat(inset.panes().get(0).place()).isEqualTo(Place.WHOLE);
    assertThat(inset.panes().get(1).place().width()).isLessThan(0.4);
  }

  /** As wide between two that stand above one another as between two abreast, in pixels. */
  @Test
  void betweenThemLiesWhatWasChosen() {
    for (Divider divider : Divider.values()) {
      Manner manner = new Manner(Liveliness.CALM, Tightness.ALL, divider);
      List<Double> wide = new ArrayList<>();
      for (Arrangement arrangement : List.of(Arrangement.STACKED, Arrangement.BESIDE)) {
        Framed framed = framed(new Layout.Together(List.of(ADA, BEN), arrangement)).with(manner);
        List<PlannedFrame.Pane> panes = plan(framed).get(0).panes();
        Place one = panes.get(0).place();
        Place other = panes.get(1).place();
        wide.add(
            Math.max(
                1080 * (other.x() - one.x() - one.width()),
                1920 * (other.y() - one.y() - one.height())));
        assertThat(Math.max(other.x() + other.width(), other.y() + other.height()))
            .isCloseTo(1, within(1e-9));
      }
      assertThat(wide.get(0)).isCloseTo(wide.get(1), within(1e-6));
      assertThat(wide.get(0)).isCloseTo(divider.share() * 1080, within(1e-6));
    }
    assertThat(new Manner(Liveliness.CALM, Tightness.ALL, null).divider())
        .as("clips of before")
        .isEqualTo(Divider.LINE);
  }

  @Test
  void theWholePictureKeepsItsShapeOnAGround() {
    PlannedFrame frame = plan(framed(new Layout.Whole(Ground.SOFT))).get(0);
    assertThat(frame.ground()).isEqualTo(Ground.SOFT);
    Place place = frame.panes().get(0).place();
    assertThat(place.width()).isEqualTo(1);
    assertThat(place.width() * 9 / (place.height() * 16)).isCloseTo(16 / 9.0, within(1e-9));
    assertThat(frame.first().at(0)).isEqualTo(new Window(0, 0, 1280, 720));
  }

  @Test
  void bothAreSeenWhileTheyTalkAcrossOneAnother() {
    Talk talk =
        new Talk()
            .speaker("Ada")
            .say("I learned three things about the tide that night.")
            .speaker("Ben")
            .say("No, wait.")
            .speaker("Ada")
            .say("Let me.")
            .speaker("Ben")
            .say("You said.")
            .speaker("Ada")
            .say("Never leave the sluice half open to the tide again.");
    Transcript transcript = talk.transcript();
    List<FaceSample> samples = new ArrayList<>();
    for (Word word : transcript.words()) {
      samples.add(
          new FaceSample(
              word.startUs() + 100_000,
              List.of(
                  new Face(0.2, 0.3, 0.1, 0.2, word.speaker() == 1 ? 6 : 1),
                  new Face(0.7, 0.3, 0.1, 0.2, word.speaker() == 0 ? 6 : 1))));
    }
    CameraPlanner both = CameraPlanner.of(1280, 720, PeopleTracker.people(samples), transcript);
    List<PlannedFrame> frames =
        both.plan(
            talk.clip().stretches(),
            talk.clip().cuts(transcript),
            framed(new Layout.Conversation(Arrangement.STACKED)),
            UPRIGHT);
    assertThat(frames).extracting(f -> f.panes().size()).containsExactly(1, 2, 1);
    assertThat(frames.get(1).span().contains(transcript.words().get(9).startUs())).isTrue();
    assertThat(frames.get(1).span().contains(transcript.words().get(14).startUs())).isTrue();
  }

  @Test
  void howNearAWindowComesIsCountedInFaces() {
    double face = 0.2 * 720;
    Framed head =
        framed(new Layout.One(ADA)).with(new Manner(Liveliness.CALM, Tightness.HEAD_AND_SHOULDERS));
    assertThat(plan(head).get(0).first().at(0).height()).isCloseTo(3.6 * face, within(1.0));
    Framed all = framed(new Layout.One(ADA));
    assertThat(plan(all).get(0).first().at(0).height()).isGreaterThan(3.6 * face);
  }

  @Test
  void whatCannotBeShownIsRefused() {
    FrameDesk desk =
        new FrameDesk(2, 1, 9_000_000, new PushInFinder(TRANSCRIPT, TALK.levels()), List::of);
    CutList cuts = Pared.of(List.of(WHOLE)).cuts(TRANSCRIPT);
    SetFrame.Shown three = new SetFrame.Shown.Laid(new Layout.One(2));
    List<FrameIntent> wrong =
        List.of(
            new FrameIntent.SetByHand(new SetFrame.Extent.Shot(0), three),
            new FrameIntent.SetByHand(new SetFrame.Extent.Stretch(new Span(0, 10_000_000)), HERE),
            new FrameIntent.SetByHand(
                new SetFrame.Extent.Shot(0),
                new SetFrame.Shown.Travel(
                    new PlacedWindow(0.5, 0.5, 1), new PlacedWindow(0.5, 0.5, 1), Curve.EVEN)),
            new FrameIntent.Reframe("9:16", new Layout.Together(List.of(0, 0), Arrangement.BESIDE)),
            new FrameIntent.Reframe("9:16", new Layout.Together(List.of(0), Arrangement.BESIDE)),
            new FrameIntent.PushInOn(
                new Span(1_000_000, 1_000_000), 0.1, PushIn.Move.STEP, Curve.EVEN),
            new FrameIntent.Alternate(-1));
    for (FrameIntent intent : wrong) {
      assertThatIllegalArgumentException()
          .as(intent.toString())
          .isThrownBy(() -> intent.apply(Framed.UPRIGHT, cuts, desk));
    }
    assertThatIllegalArgumentException().isThrownBy(() -> new PlacedWindow(1.1, 0.5, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new PlacedWindow(0.5, 0.5, Double.NaN));
    assertThatIllegalArgumentException().isThrownBy(() -> new Look(0, 1, Double.NaN, 0, false));
  }
}
