package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Recordings made with a known offset, drift, gain and noise. */
class LineUpTest {
  private static final int RATE = SoundExcerpt.SAMPLE_RATE;

  /** Bursts of noise with the rhythm of syllables and of sentences, at an exact time. */
  private static final class Event {
    private static final double[] SINES =
        IntStream.range(0, 12).mapToDouble(k -> Math.sin(k * k)).toArray();
    private static final double[] COSINES =
        IntStream.range(0, 12).mapToDouble(k -> Math.cos(k * k)).toArray();

    private final double[] burstStart;
    private final double[] burstLength;
    private final double[] pitch;

    Event(long seed, double seconds) {
      Random random = new Random(seed);
      int bursts = (int) (seconds * 4);
      burstStart = new double[bursts];
      burstLength = new double[bursts];
      pitch = new double[bursts];
      double at = 0.3;
      for (int i = 0; i < bursts; i++) {
        burstStart[i] = at;
        burstLength[i] = 0.06 + 0.2 * random.nextDouble();
        pitch[i] = 90 + 160 * random.nextDouble();
        at += burstLength[i] + (random.nextInt(12) == 0 ? 0.8 : 0.08 * random.nextDouble());
      }
    }

    float at(double t) {
      int i = java.util.Arrays.binarySearch(burstStart, t);
      i = i < 0 ? -i - 2 : i;
      if (i < 0 || t > burstStart[i] + burstLength[i]) {
        return 0;
      }
      double in = t - burstStart[i];
      double shape = Math.sin(Math.PI * in / burstLength[i]);
      return (float) (0.3 * shape * harmonics(2 * Math.PI * pitch[i] * t));
    }

    /** Eleven harmonics of a tone, each with a phase of its own, by their angle sums. */
    private static double harmonics(double angle) {
      double sine = Math.sin(angle);
      double cosine = Math.cos(angle);
      double sinK = 0;
      double cosK = 1;
      double sum = 0;
      for (int k = 1; k < 12; k++) {
        double next = sinK * cosine + cosK * sine;
        cosK = cosK * cosine - sinK * sine;
        sinK = next;
        sum += (sinK * COSINES[k] + cosK * SINES[k]) / k;
      }
      return sum;
    }
  }

  private static float[] heard(
      Event event,
      double from,
      double seconds,
      double drift,
      double gain,
      double noise,
      long seed) {
    Random random = new Random(seed);
    float[] out = new float[(int) (seconds * RATE)];
    for (int i = 0; i < out.length; i++) {
      out[i] =
          (float)
              (gain * event.at(from + i / (double) RATE * (1 + drift))
                  + noise * random.nextGaussian());
    }
    return out;
  }

  private static LevelCurve levels(float[] sound) {
    LevelCurve.Collector collector = new LevelCurve.Collector(RATE);
    for (float sample : sound) {
      collector.add(sample);
    }
    return collector.finish();
  }

  private static SoundExcerpt excerpt(float[] sound) {
    return (fromUs, samples) -> {
      float[] out = new float[samples];
      int first = (int) Math.round(fromUs / 1e6 * RATE);
      for (int i = 0; i < samples; i++) {
        out[i] = first + i >= 0 && first + i < sound.length ? sound[first + i] : 0;
      }
      return out;
    };
  }

  private static final Event EVENT = new Event(5, 340);
  private static final float[] REFERENCE = heard(EVENT, 0, 300, 0, 1, 0.001, 11);

  @ParameterizedTest
  @CsvSource({
    // recording starts at s, lasts s, drift ppm, gain, noise
    "0, 150, 0, 1, 0.0005",
    "7.3331, 120, 0, 0.1, 0.001",
    "-4.2517, 140, 0, 2.5, 0.0005",
    "31.00047, 60, 0, 0.4, 0.02",
    "3.5, 290, 60, 0.5, 0.003",
    "-2.25, 300, -85, 0.3, 0.003",
    "100.125, 18, 0, 0.5, 0.003"
  })
  void findsOffsetAndDriftWithinFiveMilliseconds(
      double from, double seconds, double ppm, double gain, double noise) {
    float[] reference = REFERENCE;
    float[] other = heard(EVENT, from, seconds, ppm / 1e6, gain, noise, 12);

    Placement placed =
        new LineUp(levels(reference), excerpt(reference))
            .place(levels(other), excerpt(other))
            .orElseThrow();

    for (double t : new double[] {0, seconds / 2, seconds}) {
      double truth = from + t * (1 + ppm / 1e6);
      assertThat(placed.toEpisode(Math.round(t * 1e6)) / 1e6).isCloseTo(truth, within(0.005));
    }
    assertThat(placed.toRecording(placed.toEpisode(10_000_000))).isCloseTo(10_000_000L, within(2L));
  }

  @Test
  void doesNotLineUpWhatHasNothingInCommon() {
    float[] reference = heard(new Event(5, 150), 0, 150, 0, 1, 0.001, 11);
    float[] other = heard(new Event(99, 150), 0, 150, 0, 1, 0.001, 12);
    Optional<Placement> placed =
        new LineUp(levels(reference), excerpt(reference)).place(levels(other), excerpt(other));
    assertThat(placed).isEmpty();
  }

  @Test
  void silenceIsPlacedNowhere() {
    float[] reference = heard(new Event(5, 60), 0, 60, 0, 1, 0.001, 11);
    float[] silence = new float[20 * RATE];
    assertThat(
            new LineUp(levels(reference), excerpt(reference))
                .place(levels(silence), excerpt(silence)))
        .isEmpty();
  }
}
