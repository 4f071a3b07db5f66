package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import paringknife.core.time.Span;

class QuietPlacesTest {
  @Test
  void partsMeetInTheMiddleOfTheQuietPlaces() {
    float[] levels = new float[3_000];
    Arrays.fill(levels, -20);
    Arrays.fill(levels, 1_200, 1_240, -60);
    Arrays.fill(levels, 2_390, 2_410, -60);
    List<Span> parts = QuietPlaces.parts(new LevelCurve(levels), 10_000_000);
    assertThat(parts).hasSize(2);
    assertThat(parts.get(0).endUs()).isBetween(12_050_000L, 12_350_000L);
  }

  @Property(tries = 200)
  void theyCoverAllOfTheSoundAndNoneIsTooShortOrTooLong(
      @ForAll @IntRange(min = 0, max = 6_000) int windows,
      @ForAll @IntRange(min = 50, max = 900) int shortest,
      @ForAll long seed) {
    float[] levels = new float[windows];
    java.util.Random random = new java.util.Random(seed);
    for (int i = 0; i < windows; i++) {
      levels[i] = -60 * random.nextFloat();
    }
    List<Span> parts = QuietPlaces.parts(new LevelCurve(levels), shortest * LevelCurve.WINDOW_US);
    long at = 0;
    for (Span part : parts) {
      assertThat(part.startUs()).isEqualTo(at);
      at = part.endUs();
    }
    assertThat(at).isEqualTo(windows * LevelCurve.WINDOW_US);
    for (Span part : parts.subList(0, parts.size() - 1)) {
      assertThat(part.lengthUs())
          .isBetween(shortest * LevelCurve.WINDOW_US, 2 * shortest * LevelCurve.WINDOW_US);
    }
  }
}
