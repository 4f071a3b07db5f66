package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

class NearerPathTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final int WIDTH = 3840;
  private static final int HEIGHT = 2160;
  private static final Window WINDOW = new Window(1000, 0, 1215, 2160);

  /** Their eyes are at 1500, 720. */
  private static final Person PERSON =
      new Person(
          List.of(
              new Person.Sighting(
                  0,
                  new Face(
                      1350.0 / WIDTH,
                      (720 - 0.42 * 400) / HEIGHT,
                      300.0 / WIDTH,
                      400.0 / HEIGHT,
                      0))));

  private static FramePath held(long frames) {
    return new FramePath(
        List.of(
            new FramePath.Segment(
                0,
                frames,
                List.of(new FramePath.Pane(Place.WHOLE, 0, List.of(WINDOW))),
                Ground.DARK,
                FramePath.BY_ITSELF)));
  }

  private static FramePath nearer(
      List<PictureRun> runs, List<PushIn> pushIns, double alternating, double leastLines) {
    NearerPath.Seen seen =
        new NearerPath.Seen(
            CameraGrid.one(WIDTH, HEIGHT),
            People.found(List.of(PERSON)),
            List.of(ShotList.ONE),
            RATE,
            leastLines);
    return new NearerPath(held(PictureRun.total(runs)), runs, seen).of(pushIns, alternating);
  }

  private static PushIn pushIn(double from, double to, double share, PushIn.Move move) {
    Span span = new Span(Math.round(from * 1e6), Math.round(to * 1e6));
    return new PushIn(1, span, share, move, Curve.EVEN, PushIn.Why.BY_HAND, true);
  }

  private static Window at(FramePath path, long frame) {
    return path.segments().stream()
        .filter(s -> frame >= s.clipFrame() && frame < s.clipFrame() + s.count())
        .findFirst()
        .orElseThrow()
        .at(frame);
  }

  private static double[] eyesIn(Window window) {
    return new double[] {
      (1500 - window.x()) / window.width(), (720 - window.y()) / window.height()
    };
  }

  /** Push-ins of 8, 12 and 20 % are usual (common practice). */
  @ParameterizedTest
  @ValueSource(doubles = {0.08, 0.12, 0.2})
  void aStepComesNearerWithTheFirstWordAndTheFaceStaysWhereItIs(double share) {
    List<PictureRun> runs = List.of(new PictureRun(0, 0, 250));
    FramePath path = nearer(runs, List.of(pushIn(2, 4, share, PushIn.Move.STEP)), 0, 100);
    assertThat(path.frames()).isEqualTo(250);
    assertThat(at(path, 49)).isEqualTo(WINDOW);
    assertThat(at(path, 100)).isEqualTo(WINDOW);
    for (long frame : new long[] {50, 75, 99}) {
      Window window = at(path, frame);
      assertThat(WINDOW.height() / window.height()).isCloseTo(1 + share, within(1e-9));
      assertThat(WINDOW.width() / window.width()).isCloseTo(1 + share, within(1e-9));
      assertThat(eyesIn(window)).containsExactly(eyesIn(WINDOW), within(1e-9));
    }
    assertThat(path.segments()).hasSize(3);
  }

  @Test
  void aGlideGoesFromTheFirstWordToTheLastWithoutALeap() {
    List<PictureRun> runs = List.of(new PictureRun(0, 0, 250));
    FramePath path = nearer(runs, List.of(pushIn(2, 6, 0.2, PushIn.Move.GLIDE)), 0, 100);
    double before = WINDOW.height();
    for (long frame = 50; frame < 150; frame++) {
      double height = at(path, frame).height();
      assertThat(height).as("frame " + frame).isLessThanOrEqualTo(before);
      assertThat(before - height).as("a step").isLessThan(5);
      before = height;
    }
    assertThat(WINDOW.height() / at(path, 100).height()).isCloseTo(1.1, within(1e-9));
  }

  /** At most 1.5 times larger than recorded is what the sheet takes without a word. */
  @Test
  void itComesNoNearerThanTheResolutionAllows() {
    List<PictureRun> runs = List.of(new PictureRun(0, 0, 100));
    List<PushIn> much = List.of(pushIn(0, 4, 1, PushIn.Move.STEP));
    assertThat(at(nearer(runs, much, 0, 1_900), 50).height()).isCloseTo(1_900, within(1e-6));
    assertThat(at(nearer(runs, much, 0, 2_500), 50).height())
        .as("where it is short of lines anyway the sheet says so")
        .isCloseTo(1_080, within(1e-6));
  }

  /** A cut within one shot needs at least 8 % or it looks like a fault (common practice). */
  @Test
  void sizesAlternateAtJoinsAndNotWhereItGoesOn() {
    List<PictureRun> runs =
        List.of(
            new PictureRun(0, 0, 50),
            new PictureRun(50, 80, 50),
            new PictureRun(100, 130, 20),
            new PictureRun(120, 200, 30));
    FramePath path = nearer(runs, List.of(), 0.08, 100);
    List<Double> factors = new ArrayList<>();
    for (FramePath.Segment segment : path.segments()) {
      factors.add(WINDOW.height() / segment.at(segment.clipFrame()).height());
    }
    assertThat(path.segments())
        .extracting(FramePath.Segment::clipFrame)
        .containsExactly(0L, 50L, 120L);
    assertThat(factors.get(0)).isEqualTo(1);
    assertThat(factors.get(1)).isCloseTo(1.08, within(1e-9));
    assertThat(factors.get(2)).isEqualTo(1);
  }

  @Test
  void whatIsSwitchedOffChangesNothing() {
    List<PictureRun> runs = List.of(new PictureRun(0, 0, 100));
    PushIn on = pushIn(1, 2, 0.2, PushIn.Move.STEP);
    PushIn off = new PushIn(1, on.span(), 0.2, on.move(), on.curve(), on.why(), false);
    assertThat(nearer(runs, List.of(off), 0, 100)).isEqualTo(held(100));
  }

  @Test
  void impossibleAmountsAreRefused() {
    for (double share : new double[] {0, -0.1, 1.01, Double.NaN, Double.POSITIVE_INFINITY}) {
      assertThatIllegalArgumentException()
          .as("share " + share)
          .isThrownBy(() -> pushIn(0, 1, share, PushIn.Move.STEP));
    }
  }
}
