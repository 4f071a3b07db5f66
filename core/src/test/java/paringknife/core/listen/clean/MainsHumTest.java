package paringknife.core.listen.clean;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MainsHumTest {
  private static final int RATE = 48_000;

  /** A room of white noise with harmonics of the mains in it, each at its amplitude. */
  private static float[] room(double seconds, double mains, double... amplitudes) {
    Random random = new Random(5);
    float[] sound = new float[(int) (seconds * RATE)];
    for (int i = 0; i < sound.length; i++) {
      double value = random.nextGaussian() * 0.001;
      for (int k = 0; k < amplitudes.length; k++) {
        value += amplitudes[k] * Math.sin(2 * Math.PI * mains * (k + 1) * i / RATE + k);
      }
      sound[i] = (float) value;
    }
    return sound;
  }

  /** The mains are of 50 or 60 Hz (IEC 60038). */
  @ParameterizedTest
  @ValueSource(ints = {50, 60})
  void theHarmonicsThatAreThereAreFound(int mains) {
    MainsHum hum = MainsHum.in(room(1, mains, 0.01, 0, 0.006, 0.004), RATE);
    assertThat(hum.hertz())
        .contains((double) mains, 3.0 * mains, 4.0 * mains)
        .doesNotContain(2.0 * mains);
  }

  @Test
  void aRoomWithoutHumHasNone() {
    assertThat(MainsHum.in(room(1, 50), RATE).hertz()).hasSizeLessThanOrEqualTo(1);
    assertThat(MainsHum.in(new float[RATE], RATE).hertz()).isEmpty();
  }

  @Test
  void tooShortAStretchTellsNothing() {
    assertThat(MainsHum.in(room(0.1, 50, 0.02), RATE).hertz()).isEqualTo(List.of());
  }
}
