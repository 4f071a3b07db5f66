package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

class FramePathTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final FrameRate NTSC = new FrameRate(30_000, 1_001);

  private static PlannedFrame window(double from, double to, double x) {
    return PlannedFrame.of(
        new HeldWindow(
            new Span(Math.round(from * 1e6), Math.round(to * 1e6)), new Window(x, 0, 304, 540), 0));
  }

  private static List<FramePath.Segment> path(
      List<PictureRun> runs, List<PlannedFrame> windows, FrameRate rate) {
    return FramePath.of(runs, windows, rate).segments();
  }

  private static long frames(List<FramePath.Segment> shown) {
    long at = 0;
    for (FramePath.Segment run : shown) {
      assertThat(run.clipFrame()).as("without a gap").isEqualTo(at);
      assertThat(run.count()).isPositive();
      at += run.count();
    }
    return at;
  }

  @Test
  void theViewChangesWithTheFrameThatIsInTheNextWindow() {
    List<FramePath.Segment> shown =
        path(
            List.of(new PictureRun(0, 50, 100)),
            List.of(window(0, 4, 10), window(4, 9, 400)),
            RATE);
    assertThat(frames(shown)).isEqualTo(100);
    assertThat(shown).extracting(FramePath.Segment::clipFrame).containsExactly(0L, 50L);
    assertThat(shown).extracting(r -> r.at(r.clipFrame()).x()).containsExactly(10.0, 400.0);
  }

  @Test
  void theSameViewOverACutIsOneRun() {
    List<PictureRun> runs =
        List.of(new PictureRun(0, 50, 30), new PictureRun(30, 200, 40), new PictureRun(70, 10, 5));
    List<FramePath.Segment> shown =
        path(runs, List.of(window(0, 3, 10), window(3, 6, 400), window(6, 12, 10)), RATE);
    assertThat(frames(shown)).isEqualTo(75);
    assertThat(shown).extracting(r -> r.at(r.clipFrame()).x()).containsExactly(10.0, 400.0, 10.0);
    assertThat(shown).extracting(FramePath.Segment::count).containsExactly(25L, 5L, 45L);
  }

  /**
   * A gap of two seconds ends just before the window changes, and freezes the picture before it.
   */
  @Test
  void theWindowStaysWhereItIsWhileAFrameIsHeld() {
    List<PictureRun> runs =
        List.of(
            new PictureRun(0, 0, 50),
            new PictureRun(50, 49, 50, true),
            new PictureRun(100, 50, 50));
    List<FramePath.Segment> shown =
        path(runs, List.of(window(0, 2.6, 10), window(2.6, 9, 400)), RATE);
    assertThat(shown).extracting(FramePath.Segment::clipFrame).containsExactly(0L, 115L);
    assertThat(shown).extracting(r -> r.at(r.clipFrame()).x()).containsExactly(10.0, 400.0);
    assertThat(frames(shown)).isEqualTo(150);
  }

  @Test
  void aFrameHeldBeforeAllShowsWhatFollows() {
    List<FramePath.Segment> shown =
        path(
            List.of(new PictureRun(0, 75, 25, true), new PictureRun(25, 75, 10)),
            List.of(window(0, 2, 10), window(2, 9, 400)),
            RATE);
    assertThat(shown).hasSize(1);
    assertThat(shown.get(0).at(0).x()).isEqualTo(400);
  }

  @Test
  void aPackedPathNamesEverySegmentAndItsWindow() {
    FramePath path =
        FramePath.of(
            List.of(new PictureRun(0, 50, 100)),
            List.of(window(0, 4, 10), window(4, 9, 400)),
            RATE);
    assertThat(path.packed())
        .containsExactly(
            0, 50, 1, 0, 1, 0, 0, 0, 1, 1, 1, 10, 0, 304, 540, 50, 50, 1, 0, 1, 0, 0, 0, 1, 1, 1,
            400, 0, 304, 540);
    assertThat(path.frames()).isEqualTo(100);
    assertThat(path.leastLines()).isEqualTo(540);
  }

  @Test
  void aMomentOutsideAllWindowsHasTheNearest() {
    List<FramePath.Segment> shown =
        path(
            List.of(new PictureRun(0, 0, 10), new PictureRun(10, 500, 10)),
            List.of(window(2, 3, 10), window(8, 9, 400)),
            RATE);
    assertThat(frames(shown)).isEqualTo(20);
    assertThat(shown).extracting(r -> r.at(r.clipFrame()).x()).containsExactly(10.0, 400.0);
  }

  @Test
  void anEdgeBetweenTwoFramesOfNtscLosesNone() {
    for (int k = 0; k < 40; k++) {
      double edge = 3 + k / 1_000.0;
      List<FramePath.Segment> shown =
          path(
              List.of(new PictureRun(0, 60, 90)),
              List.of(window(0, edge, 10), window(edge, 9, 400)),
              NTSC);
      assertThat(frames(shown)).isEqualTo(90);
      assertThat(shown).hasSize(2);
      double change = (60 + shown.get(1).clipFrame()) * 1_001 / 30_000.0;
      assertThat(Math.abs(change - edge))
          .as("at most a frame away")
          .isLessThanOrEqualTo(1_001 / 30_000.0);
    }
  }

  @Test
  void shapesAreReadAndRefused() {
    assertThat(Shape.parse(" 9 : 16 ")).isEqualTo(new Shape(9, 16));
    assertThat(new Shape(9, 16)).hasToString("9:16");
    assertThat(new Shape(16, 9).ratio()).isEqualTo(16 / 9.0);
    for (String wrong : List.of("9x16", "9:16:1", "a:b", "", "0:3", "-9:16")) {
      assertThatIllegalArgumentException()
          .as(wrong)
          .isThrownBy(() -> Shape.parse(wrong))
          .withMessageContaining("shape");
    }
  }
}
