package paringknife.core.frame;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.text.SeenText;
import paringknife.core.frame.text.TextBox;
import paringknife.core.time.FrameRate;

/** Places reckoned by hand: a banner of a wide picture, seen in a window of it. */
class FilmedTextsTest {
  private static final FrameRate RATE = new FrameRate(25, 1);
  private static final CameraGrid GRID = CameraGrid.one(1920, 1080);

  /** 192 to 960 across, 864 to 918 down, from the third second to the fifth. */
  private static final SeenText BANNER =
      new SeenText(2_000_000, 4_000_000, new TextBox(0.1, 0.8, 0.4, 0.05));

  private static FramePath held(Window window, long frames) {
    return new FramePath(
        List.of(
            new FramePath.Segment(
                0,
                frames,
                List.of(new FramePath.Pane(Place.WHOLE, -1, List.of(window))),
                Ground.DARK,
                FramePath.BY_ITSELF)));
  }

  private static List<ShownText> in(FramePath path, SeenText... texts) {
    return new FilmedTexts(GRID, List.of(List.of(texts)))
        .in(path, List.of(new PictureRun(0, 0, path.frames(), false)), RATE);
  }

  @Test
  void textIsWhereTheWindowShowsItForAsLongAsItIsThere() {
    List<ShownText> shown = in(held(new Window(0, 0, 1920, 1080), 250), BANNER);
    assertThat(shown).hasSize(1);
    assertThat(shown.get(0).x()).isCloseTo(0.1, within(1e-9));
    assertThat(shown.get(0).y()).isCloseTo(0.8, within(1e-9));
    assertThat(shown.get(0).width()).isCloseTo(0.4, within(1e-9));
    assertThat(shown.get(0).share()).isCloseTo(0.2, within(0.03));
  }

  @Test
  void whatTheWindowCutsOffIsNotThere() {
    List<ShownText> shown = in(held(new Window(576, 0, 608, 1080), 250), BANNER);
    assertThat(shown.get(0).x()).isZero();
    assertThat(shown.get(0).width()).isCloseTo(384 / 608.0, within(1e-9));
    assertThat(in(held(new Window(1200, 0, 608, 1080), 250), BANNER)).isEmpty();
    assertThat(in(held(new Window(900, 0, 608, 1080), 250), BANNER)).as("a sliver").isEmpty();
  }

  @Test
  void noTextIsNoWork() {
    assertThat(in(held(new Window(0, 0, 1920, 1080), 250))).isEmpty();
    assertThat(FilmedTexts.none(GRID).in(held(new Window(0, 0, 1920, 1080), 25), List.of(), RATE))
        .isEmpty();
  }
}
