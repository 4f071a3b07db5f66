package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.cameras.CameraCut;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.FaceSample;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.PeopleTracker;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * Three cameras of one talk: the first sees Ben (left) and Ada (right), the second Ada close, the
 * third Ben close. People are told apart by their numbers, as if they had been known again.
 */
class CameraPlannerTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("I learned three things that night about the tide and the sluice.")
          .speaker("Ben")
          .say("Yes.")
          .speaker("Ada")
          .say("Never leave it half open when the moon is full.")
          .speaker("Ben")
          .say("And did you get up at four in the morning to see to it?");

  private static final Transcript TRANSCRIPT = TALK.transcript();
  private static final Span WHOLE = new Span(0, 16_000_000);
  private static final Shape UPRIGHT = new Shape(9, 16);
  private static final int BEN = 0;
  private static final int ADA = 1;
  private static final CameraGrid GRID =
      CameraGrid.of(List.of(new int[] {1280, 720}, new int[] {1920, 1080}, new int[] {1280, 720}));
  private static final long BEN_ASKS = TRANSCRIPT.words().get(23).startUs();

  private final CameraPlanner planner =
      new CameraPlanner(
          GRID,
          People.foundBy(
              List.of(
                  List.of(seen(0.15, 0.08, 1), seen(0.75, 0.08, 0)),
                  List.of(Person.NOBODY, seen(0.4, 0.2, 0)),
                  List.of(seen(0.35, 0.2, 1), Person.NOBODY))),
          List.of(ShotList.ONE, ShotList.ONE, ShotList.ONE),
          TRANSCRIPT);

  /** A face whose mouth moves when a speaker talks. */
  private static Person seen(double x, double width, int speaker) {
    List<Person.Sighting> sightings = new ArrayList<>();
    for (long us = 0; us < WHOLE.endUs(); us += 200_000) {
      int at = TRANSCRIPT.firstEndingAfter(us);
      Word word = at < TRANSCRIPT.words().size() ? TRANSCRIPT.words().get(at) : null;
      boolean speaks = word != null && word.startUs() <= us && word.speaker() == speaker;
      sightings.add(
          new Person.Sighting(us, new Face(x, 0.25, width, width * 16 / 9, speaks ? 6 : 1)));
    }
    return new Person(sightings);
  }

  private static CutList everything() {
    return Pared.of(List.of(WHOLE)).cuts(TRANSCRIPT);
  }

  private List<PlannedFrame> plan(Framed framed) {
    return planner.plan(List.of(WHOLE), everything(), framed, UPRIGHT);
  }

  private static Framed speaking(CameraCut... cuts) {
    return Framed.UPRIGHT.withCameras(List.of(cuts));
  }

  private static int camera(PlannedFrame frame) {
    Window window = frame.first().at(frame.span().startUs());
    return GRID.cameraAt(window.middleX(), window.middleY());
  }

  private static void isWithoutGap(List<PlannedFrame> planned) {
    long until = WHOLE.startUs();
    for (PlannedFrame frame : planned) {
      assertThat(frame.span().startUs()).isEqualTo(until);
      until = frame.span().endUs();
    }
    assertThat(until).isEqualTo(WHOLE.endUs());
  }

  @Test
  void picturesLieBesideOneAnotherAtTheirOwnSize() {
    assertThat(GRID.width()).isEqualTo(3840);
    assertThat(GRID.height()).isEqualTo(2160);
    assertThat(GRID.cells().get(1)).isEqualTo(new CameraGrid.Cell(1920, 0, 1920, 1080));
    assertThat(GRID.cells().get(2)).isEqualTo(new CameraGrid.Cell(0, 1080, 1280, 720));
    assertThat(GRID.cameraAt(1500, 300)).as("in none of them, the first is nearer").isZero();
    assertThat(GRID.cameraAt(2000, 10)).isEqualTo(1);
  }

  /** A shot of less than two seconds is none (common practice): Ben's yes stays on Ada. */
  @Test
  void whoSpeaksIsSeenInTheCameraThatShowsThemLargest() {
    List<PlannedFrame> planned = plan(speaking());
    isWithoutGap(planned);
    assertThat(planned).extracting(CameraPlannerTest::camera).containsExactly(1, 2);
    assertThat(planned).extracting(f -> f.first().person()).containsExactly(ADA, BEN);
    Window close = planned.get(0).first().at(0);
    assertThat(close.middleX()).isCloseTo(1920 + 0.5 * 1920, within(40.0));
    assertThat(close.x()).isGreaterThanOrEqualTo(1920);
    assertThat(close.y() + close.height()).isLessThanOrEqualTo(1080.001);
    long change = planned.get(1).span().startUs();
    assertThat(TRANSCRIPT.words()).as("between words").noneMatch(w -> w.span().contains(change));
    assertThat(change).isCloseTo(BEN_ASKS, within(100_000L));
  }

  /** Of an upright window a face of a third of the picture's width would be cut. */
  @Test
  void aCameraThatIsTooCloseForTheShapeIsNotChosen() {
    CameraPlanner close =
        new CameraPlanner(
            GRID,
            People.foundBy(
                List.of(
                    List.of(seen(0.15, 0.08, 1), seen(0.75, 0.08, 0)),
                    List.of(Person.NOBODY, seen(0.3, 0.34, 0)),
                    List.of(Person.NOBODY, Person.NOBODY))),
            List.of(ShotList.ONE, ShotList.ONE, ShotList.ONE),
            TRANSCRIPT);
    Span span = new Span(0, 5_000_000);
    assertThat(close.plan(List.of(span), everything(), speaking(), UPRIGHT))
        .allMatch(f -> camera(f) == 0);
    assertThat(close.plan(List.of(span), everything(), speaking(), new Shape(16, 9)))
        .allMatch(f -> camera(f) == 1);
  }

  @Test
  void aCameraSetByHandHoldsUntilTheNextAndThenItIsByItselfAgain() {
    List<PlannedFrame> planned =
        plan(
            speaking(
                new CameraCut(1, 1_000_000, 0),
                new CameraCut(2, 3_000_000, 2),
                new CameraCut(3, 4_000_000, CameraCut.BY_ITSELF)));
    isWithoutGap(planned);
    assertThat(planned).extracting(CameraPlannerTest::camera).containsExactly(1, 0, 2, 1, 2);
    assertThat(planned.get(1).span()).isEqualTo(new Span(1_000_000, 3_000_000));
  }

  /** In the order of the clip, whatever the order in the episode. */
  @Test
  void whatWasSetGoesOnIntoTheNextStretch() {
    Span second = new Span(0, 3_000_000);
    Span first = new Span(4_000_000, 7_000_000);
    Framed framed = speaking(new CameraCut(1, 6_000_000, 0));
    List<PlannedFrame> planned =
        planner.plan(
            List.of(first, second),
            Pared.of(List.of(first, second)).cuts(TRANSCRIPT),
            framed,
            UPRIGHT);
    assertThat(planned).extracting(CameraPlannerTest::camera).containsExactly(1, 0, 0);
  }

  @Test
  void togetherEachIsSeenByTheCameraThatShowsThemBest() {
    Layout both = new Layout.Together(List.of(BEN, ADA), Arrangement.STACKED);
    List<PlannedFrame> planned = plan(Framed.of(UPRIGHT, both));
    isWithoutGap(planned);
    assertThat(planned)
        .allSatisfy(f -> assertThat(cameras(f)).containsExactly(2, 1))
        .allSatisfy(
            f ->
                assertThat(f.panes())
                    .extracting(p -> p.window().person())
                    .containsExactly(BEN, ADA));
    Framed byHand =
        Framed.of(UPRIGHT, both).withCameras(List.of(new CameraCut(1, WHOLE.startUs(), 0)));
    assertThat(plan(byHand))
        .as("of a camera that was set both are seen in it")
        .allSatisfy(f -> assertThat(cameras(f)).containsExactly(0, 0));
  }

  private static List<Integer> cameras(PlannedFrame frame) {
    return frame.panes().stream()
        .map(p -> p.window().at(frame.span().startUs()))
        .map(w -> GRID.cameraAt(w.middleX(), w.middleY()))
        .toList();
  }

  /** What is placed on the picture of a camera shows that camera, whichever was on. */
  @Test
  void aWindowByHandStaysInTheCameraItLiesIn() {
    PlacedWindow placed = new PlacedWindow(0.1, 0.7, 0.5);
    Framed framed =
        Framed.UPRIGHT.and(
            new SetFrame.Extent.Stretch(new Span(2_000_000, 4_000_000)),
            new SetFrame.Shown.Still(placed));
    List<PlannedFrame> planned = plan(framed);
    PlannedFrame set =
        planned.stream().filter(f -> f.span().contains(3_000_000)).findFirst().orElseThrow();
    assertThat(camera(set)).isEqualTo(2);
    Window window = set.first().at(3_000_000);
    assertThat(window.x()).isGreaterThanOrEqualTo(0);
    assertThat(window.x() + window.width()).isLessThanOrEqualTo(1280.001);
    assertThat(window.height()).isLessThanOrEqualTo(720.001);
  }

  @Test
  void onlyCamerasThatAreSeenAreKeptAndWindowsGoWithThem() {
    FramePath path =
        new FramePath(
            List.of(
                segment(0, new Window(2000, 100, 405, 720)),
                segment(10, new Window(100, 1100, 400, 700))));
    List<Integer> kept = path.cameras(GRID);
    assertThat(kept).containsExactly(1, 2);
    CameraGrid lean = GRID.only(kept);
    FramePath moved = path.moved(GRID, lean, kept);
    assertThat(moved.segments().get(0).at(0)).isEqualTo(new Window(80, 100, 405, 720));
    assertThat(moved.segments().get(1).at(10)).isEqualTo(new Window(2020, 20, 400, 700));
  }

  private static FramePath.Segment segment(long frame, Window window) {
    return new FramePath.Segment(
        frame,
        10,
        List.of(new FramePath.Pane(Place.WHOLE, -1, List.of(window))),
        Ground.DARK,
        FramePath.BY_ITSELF);
  }

  @Test
  void camerasThatAreNotThereAreRefused() {
    FrameDesk desk =
        new FrameDesk(2, 3, 16_000_000, new PushInFinder(TRANSCRIPT, TALK.levels()), List::of);
    for (FrameIntent wrong : List.of(new FrameIntent.CutTo(0, 3), new FrameIntent.CutTo(-1, 0))) {
      assertThatThrownBy(() -> wrong.apply(Framed.UPRIGHT, everything(), desk))
          .isInstanceOf(IllegalArgumentException.class);
    }
    Framed cut = new FrameIntent.CutTo(5, 2).apply(Framed.UPRIGHT, everything(), desk);
    assertThat(new FrameIntent.CutTo(5, 1).apply(cut, everything(), desk).cameras())
        .extracting(CameraCut::camera)
        .containsExactly(1);
    assertThatThrownBy(() -> CameraGrid.of(List.of())).isInstanceOf(IllegalArgumentException.class);
  }

  /** Seen close by a second camera at the same time, somebody is still one person. */
  @Test
  void somebodyIsKnownAgainByAnotherCamera() {
    List<FaceSample> wide = new ArrayList<>();
    List<FaceSample> close = new ArrayList<>();
    for (long us = 0; us < 10_000_000; us += 200_000) {
      wide.add(new FaceSample(us, List.of(new Face(0.2, 0.3, 0.1, 0.18, 1))));
      close.add(new FaceSample(us, List.of(new Face(0.21, 0.3, 0.11, 0.2, 1))));
    }
    assertThat(
            PeopleTracker.acrossCameras(
                    List.of(
                        new PeopleTracker.Filmed(wide, ShotList.ONE, 16 / 9.0),
                        new PeopleTracker.Filmed(close, ShotList.ONE, 16 / 9.0)))
                .get(0))
        .as("of whom nothing but the place is known they are not taken for the same")
        .hasSize(2);
  }
}
