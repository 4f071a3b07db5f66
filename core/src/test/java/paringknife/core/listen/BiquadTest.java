package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Against the responses that the bilinear transform of the analogue filters has (Bristow-Johnson's
 * cookbook).
 */
class BiquadTest {
  private static final double RATE = 48_000;

  /** How loud a tone comes out, against how loud it went in, dB. */
  private static double gainDb(Biquad filter, double hertz) {
    int settling = 96_000;
    int measured = 48_000;
    double in = 0;
    double out = 0;
    for (int k = 0; k < settling + measured; k++) {
      double x = Math.sin(2 * Math.PI * hertz * k / RATE);
      double y = filter.filter(x);
      if (k >= settling) {
        in += x * x;
        out += y * y;
      }
    }
    return 10 * Math.log10(out / in);
  }

  private static double warped(double hertz) {
    return Math.tan(Math.PI * hertz / RATE);
  }

  @ParameterizedTest
  @ValueSource(doubles = {20, 40, 80, 113, 160, 1_000, 12_000})
  void aHighPassIsAButterworthOfTheSecondOrder(double hertz) {
    double expected = -10 * Math.log10(1 + Math.pow(warped(80) / warped(hertz), 4));
    assertThat(gainDb(Biquad.highPass(80, Math.sqrt(0.5), RATE), hertz))
        .isCloseTo(expected, within(0.01));
  }

  @ParameterizedTest
  @ValueSource(doubles = {40, 49, 51, 100, 1_000})
  void aNotchTakesOutItsOwnToneAndHardlyItsNeighbours(double hertz) {
    double q = 30;
    double s = warped(hertz) / warped(50);
    double expected =
        10 * Math.log10(Math.pow(1 - s * s, 2) / (Math.pow(1 - s * s, 2) + Math.pow(s / q, 2)));
    assertThat(gainDb(Biquad.notch(50, q, RATE), hertz)).isCloseTo(expected, within(0.05));
  }

  @Test
  void theNotchedToneIsGone() {
    assertThat(gainDb(Biquad.notch(50, 30, RATE), 50)).isLessThan(-80);
  }

  @Test
  void whatRingsOnComesToRest() {
    Biquad filter = Biquad.notch(50, 30, RATE);
    filter.filter(1);
    double last = 1;
    for (int k = 0; k < 3_000_000; k++) {
      last = filter.filter(0);
    }
    assertThat(last).isZero();
  }
}
