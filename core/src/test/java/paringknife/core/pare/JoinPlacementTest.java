package paringknife.core.pare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class JoinPlacementTest {
  private static Transcript words(long... times) {
    List<Word> words = new ArrayList<>();
    for (int i = 0; i + 1 < times.length; i += 2) {
      words.add(new Word(i, "word", times[i] * 1_000, times[i + 1] * 1_000, 0, 1));
    }
    return new Transcript("en", List.of("A"), words);
  }

  /** A room at -50 dBFS with a dip to -80 for 40 ms. */
  private static LevelCurve dipAt(int ms) {
    float[] dbfs = new float[300];
    Arrays.fill(dbfs, -50);
    Arrays.fill(dbfs, ms / 10, ms / 10 + 4, -80);
    return new LevelCurve(dbfs);
  }

  @Test
  void theEdgeLiesInTheDipOfTheGap() {
    Transcript transcript = words(200, 500, 900, 1_200);
    JoinPlacement placement = new JoinPlacement(transcript, dipAt(680));
    assertThat(placement.edgeAfter(0)).isBetween(680_000L, 720_000L);
    assertThat(placement.edgeBefore(1)).isBetween(680_000L, 720_000L);
  }

  @Test
  void itIsNotSoughtFurtherThanAQuarterOfASecond() {
    Transcript transcript = words(200, 500, 2_200, 2_600);
    JoinPlacement placement = new JoinPlacement(transcript, dipAt(1_300));
    assertThat(placement.edgeAfter(0)).isBetween(500_000L, 750_000L);
    assertThat(placement.edgeBefore(1)).isBetween(1_950_000L, 2_200_000L);
  }

  @Test
  void whereAllIsAlikeTheMiddleIsTaken() {
    Transcript transcript = words(200, 500, 700, 1_000);
    float[] even = new float[200];
    Arrays.fill(even, -45);
    assertThat(new JoinPlacement(transcript, new LevelCurve(even)).edgeAfter(0))
        .isBetween(590_000L, 610_000L);
  }

  @Test
  void wordsThatRunIntoEachOtherAreParedBetweenThem() {
    Transcript transcript = words(200, 500, 500, 800, 780, 1_000);
    JoinPlacement placement = new JoinPlacement(transcript, dipAt(600));
    assertThat(placement.edgeAfter(0)).isEqualTo(500_000);
    assertThat(placement.around(1, 1)).isEqualTo(new Span(500_000, 790_000));
  }

  /**
   * Whatever the sound, no edge lies inside a word that stays, and the words asked for go whole.
   */
  @Property(tries = 300)
  void noWordThatStaysIsTouched(@ForAll long seed, @ForAll @IntRange(min = 1, max = 12) int count) {
    Random random = new Random(seed);
    long[] times = new long[2 * count];
    long at = random.nextInt(400);
    for (int i = 0; i < times.length; i += 2) {
      times[i] = at;
      times[i + 1] = at + 30 + random.nextInt(500);
      at = times[i + 1] + (random.nextBoolean() ? 0 : random.nextInt(900));
    }
    float[] dbfs = new float[(int) (at / 10) + 20];
    for (int i = 0; i < dbfs.length; i++) {
      dbfs[i] = -90 + 80 * random.nextFloat();
    }
    Transcript transcript = words(times);
    int first = random.nextInt(count);
    int last = first + random.nextInt(count - first);
    Span gone = new JoinPlacement(transcript, new LevelCurve(dbfs)).around(first, last);
    for (int i = 0; i < count; i++) {
      Span word = transcript.words().get(i).span();
      assertThat(gone.overlapUs(word)).isEqualTo(i >= first && i <= last ? word.lengthUs() : 0);
    }
  }
}
