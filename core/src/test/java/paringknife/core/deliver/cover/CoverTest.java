package paringknife.core.deliver.cover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Letterings;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.SafeArea;
import paringknife.core.time.FrameRate;

class CoverTest {
  private static final FrameRate RATE = new FrameRate(25, 1);

  /** Seconds 4 to 8 of the episode, a held picture, then seconds 20 to 22. */
  private static final List<PictureRun> RUNS =
      List.of(
          new PictureRun(0, 100, 100),
          new PictureRun(100, 199, 25, true),
          new PictureRun(125, 500, 50));

  @Test
  void theMomentIsFoundWhereverItPlaysNow() {
    assertThat(new Cover(5_000_000L, false).frameIn(RUNS, RATE)).hasValue(25L);
    assertThat(new Cover(21_000_000L, false).frameIn(RUNS, RATE)).hasValue(150L);
  }

  @Test
  void aMomentThatWasParedAwayIsNotShown() {
    assertThat(new Cover(10_000_000L, false).frameIn(RUNS, RATE)).isEmpty();
    assertThat(Cover.PROPOSED.frameIn(RUNS, RATE)).isEmpty();
  }

  @Test
  void thereIsNoMomentBeforeTheEpisode() {
    assertThatThrownBy(() -> new Cover(-1L, false)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aHostileTitleIsWrittenAsText() {
    String script =
        CoverHeading.script(
            "{\\pos(0,0)} a\\Nb",
            Letterings.MATINEE,
            new Canvas(1080, 1920, SafeArea.VERTICAL),
            Obstacles.NONE);
    assertThat(script.lines().filter(l -> l.startsWith("Dialogue")))
        .isNotEmpty()
        .noneMatch(l -> l.contains("{\\pos(0,0)} a"));
  }
}
