package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import paringknife.core.time.Span;

class ToneLoopTest {
  private static final int SECOND = SampleSource.SAMPLE_RATE;

  /** Ten seconds of a room: noise with what is below 2 kHz in it, another in each channel. */
  private static final SampleSource ROOM = room();

  private static SampleSource room() {
    Random random = new Random(7);
    float[] sound = new float[10 * SECOND * 2];
    double[] slow = new double[2];
    for (int i = 0; i < sound.length; i++) {
      slow[i % 2] += 0.25 * (random.nextGaussian() - slow[i % 2]);
      sound[i] = (float) (0.002 * slow[i % 2]);
    }
    return (from, frames) ->
        java.util.Arrays.copyOfRange(sound, (int) from * 2, (int) (from + frames) * 2);
  }

  private static double rms(ToneLoop loop, int channel, long from, int count) {
    double sum = 0;
    for (long k = from; k < from + count; k++) {
      sum += Math.pow(loop.at(k, channel), 2);
    }
    return 10 * Math.log10(sum / count);
  }

  @Test
  void itGoesRoundWithoutAStepOfItsOwn() {
    ToneLoop loop = new ToneLoop(ROOM, new Span(1_000_000, 2_200_000));
    float[] recorded = ROOM.read(SECOND, (int) (1.2 * SECOND));
    for (int channel = 0; channel < 2; channel++) {
      double own = 0;
      for (int k = 1; k < 1.2 * SECOND; k++) {
        own = Math.max(own, Math.abs(recorded[2 * k + channel] - recorded[2 * k - 2 + channel]));
      }
      double step = 0;
      for (long k = 1; k < 5L * SECOND; k++) {
        step = Math.max(step, Math.abs(loop.at(k, channel) - loop.at(k - 1, channel)));
      }
      assertThat(step).isLessThanOrEqualTo(own * 1.05);
    }
  }

  @Test
  void itsLevelStaysEvenAlsoWhereEndIsFadedIntoBeginning() {
    ToneLoop loop = new ToneLoop(ROOM, new Span(1_000_000, 2_200_000));
    double whole = rms(loop, 0, 0, 5 * SECOND);
    for (long from = 0; from < 5L * SECOND; from += SECOND / 50) {
      assertThat(rms(loop, 0, from, SECOND / 50)).isCloseTo(whole, within(2.0));
    }
  }

  @Test
  void itIsPeriodicAndCountsFromAnywhere() {
    ToneLoop loop = new ToneLoop(ROOM, new Span(1_000_000, 2_000_000));
    long period = SECOND - SECOND / 20;
    for (long k : new long[] {0, 17, 40_000}) {
      assertThat(loop.at(k + period, 1)).isEqualTo(loop.at(k, 1));
      assertThat(loop.at(k - 3 * period, 1)).isEqualTo(loop.at(k, 1));
    }
  }

  @Test
  void nothingToLoopIsSilence() {
    ToneLoop loop = new ToneLoop(ROOM, new Span(1_000_000, 1_000_000));
    assertThat(loop.at(0, 0)).isZero();
    assertThat(loop.at(99_999, 1)).isZero();
  }

  @Test
  void aVeryShortToneStillLoops() {
    ToneLoop loop = new ToneLoop(ROOM, new Span(1_000_000, 1_010_000));
    assertThat(rms(loop, 0, 0, SECOND))
        .isCloseTo(rms(new ToneLoop(ROOM, new Span(0, 5_000_000)), 0, 0, SECOND), within(4.0));
  }
}
