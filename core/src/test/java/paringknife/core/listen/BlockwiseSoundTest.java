package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;

class BlockwiseSoundTest {
  private static final int LENGTH = 5 * SampleSource.SAMPLE_RATE + 123;

  /**
   * Each moment sounds like its own number, to the left and, negated, to the right; then it ends.
   */
  private static float[] made(long from, int frames) {
    int there = (int) Math.max(0, Math.min(frames, LENGTH - from));
    float[] block = new float[there * 2];
    for (int i = 0; i < there; i++) {
      block[2 * i] = from + i + 1;
      block[2 * i + 1] = -(from + i + 1);
    }
    return block;
  }

  @Property(tries = 200)
  void anyPartIsAsInTheWhole(
      @ForAll @LongRange(min = -1_000, max = 260_000) long from,
      @ForAll @IntRange(max = 130_000) int count) {
    float[] part = new BlockwiseSound(1, 2, BlockwiseSoundTest::made).read(from, count);
    assertThat(part).hasSize(count * 2);
    for (int i = 0; i < count; i += 331) {
      long at = from + i;
      float wanted = at >= 0 && at < LENGTH ? at + 1 : 0;
      assertThat(part[2 * i]).isEqualTo(wanted);
      assertThat(part[2 * i + 1]).isEqualTo(-wanted);
    }
  }

  @Test
  void aBlockIsMadeOnceWhileItIsKept() {
    List<Long> asked = new ArrayList<>();
    BlockwiseSound sound =
        new BlockwiseSound(
            1,
            2,
            (from, frames) -> {
              asked.add(from);
              return made(from, frames);
            });
    sound.read(0, 100);
    sound.read(47_900, 200);
    sound.read(50_000, 10);
    assertThat(asked).containsExactly(0L, 48_000L);
    sound.read(96_000, 10);
    sound.read(10, 10);
    assertThat(asked).containsExactly(0L, 48_000L, 96_000L, 0L);
  }
}
