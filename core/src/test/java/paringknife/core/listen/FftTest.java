package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.apache.commons.math3.complex.Complex;
import org.apache.commons.math3.transform.DftNormalization;
import org.apache.commons.math3.transform.FastFourierTransformer;
import org.apache.commons.math3.transform.TransformType;
import org.junit.jupiter.api.Test;

/** Against Apache Commons Math. */
class FftTest {
  @Test
  void agreesWithCommonsMath() {
    Random random = new Random(3);
    double[] re = random.doubles(256, -1, 1).toArray();
    Complex[] theirs =
        new FastFourierTransformer(DftNormalization.STANDARD).transform(re, TransformType.FORWARD);
    double[] ours = re.clone();
    double[] im = new double[256];
    Fft fft = Fft.holding(200);
    fft.forward(ours, im);
    for (int i = 0; i < 256; i++) {
      assertThat(ours[i]).isCloseTo(theirs[i].getReal(), within(1e-9));
      assertThat(im[i]).isCloseTo(theirs[i].getImaginary(), within(1e-9));
    }
    fft.inverse(ours, im);
    assertThat(ours).containsExactly(re, within(1e-12));
  }

  @Test
  void takesPowersOfTwoOnly() {
    assertThatThrownBy(() -> new Fft(12)).isInstanceOf(IllegalArgumentException.class);
    assertThat(Fft.holding(1).size()).isEqualTo(1);
    assertThat(Fft.holding(4).size()).isEqualTo(4);
    assertThat(Fft.holding(5).size()).isEqualTo(8);
  }
}
