package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class LevelCurveTest {
  private static LevelCurve of(float... samples) {
    LevelCurve.Collector collector = new LevelCurve.Collector(48_000);
    for (float sample : samples) {
      collector.add(sample);
    }
    return collector.finish();
  }

  @Test
  void aWindowIsItsHighestSampleInDecibelsBelowFullScale() {
    float[] samples = new float[960];
    samples[100] = -0.5f;
    samples[101] = 0.25f;
    samples[959] = 1;
    LevelCurve curve = of(samples);
    assertThat(curve.windows()).isEqualTo(2);
    assertThat(curve.dbfs()[0]).isCloseTo(-6.0206f, within(0.001f));
    assertThat(curve.dbfs()[1]).isZero();
    assertThat(curve.durationUs()).isEqualTo(20_000);
  }

  @Test
  void aLastWindowThatIsNotFullCountsAndSilenceIsTheFloor() {
    LevelCurve curve = of(new float[481]);
    assertThat(curve.dbfs()).containsExactly(LevelCurve.FLOOR_DB, LevelCurve.FLOOR_DB);
    assertThat(of().windows()).isZero();
  }

  @Test
  void threeHoursAreCollected() {
    LevelCurve.Collector collector = new LevelCurve.Collector(100);
    for (int i = 0; i < 1_080_000; i++) {
      collector.add(i % 100 == 0 ? 0.1f : 0.001f);
    }
    LevelCurve curve = collector.finish();
    assertThat(curve.durationUs()).isEqualTo(10_800_000_000L);
    assertThat(curve.percentile(0.5)).isCloseTo(-60, within(0.01f));
    assertThat(curve.percentile(0.995)).isCloseTo(-20, within(0.01f));
  }

  @Test
  void theHighestOfAStretchLooksAtTheWindowsItTouches() {
    LevelCurve curve = new LevelCurve(new float[] {-50, -20, -40, -30});
    assertThat(curve.highest(0, 10_000)).isEqualTo(-50);
    assertThat(curve.highest(9_999, 10_001)).isEqualTo(-20);
    assertThat(curve.highest(20_000, 99_000_000)).isEqualTo(-30);
    assertThat(curve.highest(5, 5)).isEqualTo(LevelCurve.FLOOR_DB);
    assertThat(curve.windowAt(-5)).isZero();
    assertThat(new LevelCurve(new float[0]).percentile(0.5)).isEqualTo(LevelCurve.FLOOR_DB);
  }
}
