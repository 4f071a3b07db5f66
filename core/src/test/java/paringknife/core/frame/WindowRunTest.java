package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.pare.PictureRun;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

class WindowRunTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final FrameRate NTSC = new FrameRate(30_000, 1_001);

  private static HeldWindow window(double from, double to, double x) {
    return new HeldWindow(
        new Span(Math.round(from * 1e6), Math.round(to * 1e6)), x, 0, 304, 540, 0);
  }

  private static long frames(List<WindowRun> shown) {
    long at = 0;
    for (WindowRun run : shown) {
      assertThat(run.clipFrame()).as("without a gap").isEqualTo(at);
      assertThat(run.count()).isPositive();
      at += run.count();
    }
    return at;
  }

  @Test
  void theViewChangesWithTheFrameThatIsInTheNextWindow() {
    List<WindowRun> shown =
        WindowRun.of(
            List.of(new PictureRun(0, 50, 100)),
            List.of(window(0, 4, 10), window(4, 9, 400)),
            RATE);
    assertThat(frames(shown)).isEqualTo(100);
    assertThat(shown).extracting(WindowRun::clipFrame).containsExactly(0L, 50L);
    assertThat(shown).extracting(r -> r.window().x()).containsExactly(10.0, 400.0);
  }

  @Test
  void theSameViewOverACutIsOneRun() {
    List<PictureRun> runs =
        List.of(new PictureRun(0, 50, 30), new PictureRun(30, 200, 40), new PictureRun(70, 10, 5));
    List<WindowRun> shown =
        WindowRun.of(runs, List.of(window(0, 3, 10), window(3, 6, 400), window(6, 12, 10)), RATE);
    assertThat(frames(shown)).isEqualTo(75);
    assertThat(shown).extracting(r -> r.window().x()).containsExactly(10.0, 400.0, 10.0);
    assertThat(shown).extracting(WindowRun::count).containsExactly(25L, 5L, 45L);
  }

  @Test
  void aMomentOutsideAllWindowsHasTheNearest() {
    List<WindowRun> shown =
        WindowRun.of(
            List.of(new PictureRun(0, 0, 10), new PictureRun(10, 500, 10)),
            List.of(window(2, 3, 10), window(8, 9, 400)),
            RATE);
    assertThat(frames(shown)).isEqualTo(20);
    assertThat(shown).extracting(r -> r.window().x()).containsExactly(10.0, 400.0);
  }

  @Test
  void anEdgeBetweenTwoFramesOfNtscLosesNone() {
    for (int k = 0; k < 40; k++) {
      double edge = 3 + k / 1_000.0;
      List<WindowRun> shown =
          WindowRun.of(
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
