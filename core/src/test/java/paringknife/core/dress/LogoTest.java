package paringknife.core.dress;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles.StandingBox;
import paringknife.core.letter.drawn.SafeArea;

class LogoTest {
  private static final String PICTURE = "a".repeat(64);
  private static final Canvas UPRIGHT = new Canvas(1080, 1920, SafeArea.VERTICAL);

  private static StandingBox on(Logo.Corner corner, double aspect, double size) {
    return new Logo(PICTURE, aspect, corner, size, 1).on(UPRIGHT);
  }

  /** Whatever it is like, nothing of it lies where the destination puts its own buttons. */
  @ParameterizedTest
  @EnumSource(Logo.Corner.class)
  void itStandsWithinWhatStaysFree(Logo.Corner corner) {
    for (double aspect : new double[] {1 / 20.0, 0.4, 1, 3, 20}) {
      for (double size : new double[] {0.04, 0.15, 0.5}) {
        StandingBox box = on(corner, aspect, size);
        assertThat(box.x()).isGreaterThanOrEqualTo(0.05 - 1e-9);
        assertThat(box.x() + box.width()).isLessThanOrEqualTo(0.86 + 1e-9);
        assertThat(box.y()).isGreaterThanOrEqualTo(0.12 - 1e-9);
        assertThat(box.y() + box.height()).isLessThanOrEqualTo(0.78 + 1e-9);
        assertThat(box.width() * 1080 / (box.height() * 1920)).isCloseTo(aspect, within(1e-9));
      }
    }
  }

  @Test
  void flatAndTallOnesAreAlikeLarge() {
    for (double aspect : new double[] {0.5, 1, 2}) {
      StandingBox box = on(Logo.Corner.TOP_LEFT, aspect, 0.1);
      assertThat(box.width() * 1080 * box.height() * 1920).isCloseTo(108 * 108, within(1e-6));
    }
  }

  @Test
  void eachCornerIsItsOwn() {
    assertThat(on(Logo.Corner.TOP_LEFT, 1, 0.1).x()).isEqualTo(0.05);
    assertThat(on(Logo.Corner.TOP_LEFT, 1, 0.1).y()).isEqualTo(0.12);
    StandingBox other = on(Logo.Corner.BOTTOM_RIGHT, 1, 0.1);
    assertThat(other.x() + other.width()).isCloseTo(0.86, within(1e-9));
    assertThat(other.y() + other.height()).isCloseTo(0.78, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"0, 0.1, 1", "21, 0.1, 1", "1, 0.6, 1", "1, 0.1, 0", "1, 0.1, NaN", "NaN, 0.1, 1"})
  void nonsenseIsRefused(double aspect, double size, double opacity) {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Logo(PICTURE, aspect, Logo.Corner.TOP_LEFT, size, opacity));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new Logo("../../etc/passwd", 1, Logo.Corner.TOP_LEFT, 0.1, 1));
  }
}
