package paringknife.media.ffmpeg;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a size is held by, with encoders that keep to a bit rate more or less. */
class HeldSizeTest {
  private static final int MOST = 1_000_000;

  @TempDir private static Path folder;

  /** Ten seconds: a kbit/s comes to 1,250 bytes. */
  private final HeldSize size = new HeldSize(MOST, 0, 10);

  private final List<Integer> looks = new ArrayList<>();

  /** The size of what is left in the end. */
  private long held(int first, IntUnaryOperator bytesOfKbps) throws IOException {
    Path made = folder.resolve("made");
    size.make(
        made,
        progress -> Files.write(made, new byte[first]),
        (kbps, progress) -> {
          looks.add(kbps);
          Files.write(made, new byte[bytesOfKbps.applyAsInt(kbps)]);
        },
        share -> {});
    return Files.size(made);
  }

  @Test
  void whatFitsIsLeftAsItIs() throws Exception {
    assertThat(held(MOST, kbps -> 0)).isEqualTo(MOST);
    assertThat(looks).isEmpty();
  }

  @Test
  void anEncoderThatKeepsToABitRateLooksOnce() throws Exception {
    assertThat(held(5 * MOST, kbps -> kbps * 1_250)).isBetween(MOST * 98L / 100, (long) MOST);
    assertThat(looks).containsExactly(792);
  }

  @Test
  void oneThatSpendsHalfOfItIsPutRight() throws Exception {
    assertThat(held(5 * MOST, kbps -> kbps * 600)).isBetween(MOST * 98L / 100, (long) MOST);
    assertThat(looks).hasSize(2);
  }

  /** Doubled above 1,000 kbit/s: between what fits and what does not there is a way. */
  @Test
  void oneThatJumpsComesAsNearAsItGoes() throws Exception {
    long bytes = held(5 * MOST, kbps -> kbps < 1_000 ? kbps * 900 : kbps * 1_800);
    assertThat(bytes).isBetween(800_000L, 900_000L);
    assertThat(looks).hasSizeLessThanOrEqualTo(5).allMatch(kbps -> kbps < 1_700);
  }

  @Test
  void oneThatCannotGoBelowALimitEnds() throws Exception {
    assertThat(held(5 * MOST, kbps -> 2 * MOST)).isEqualTo(2 * MOST);
    assertThat(looks).hasSizeLessThanOrEqualTo(5);
  }

  /** A picture that stands still takes no more, whatever it is given. */
  @Test
  void oneThatSpendsNothingIsNotGivenEverything() throws Exception {
    assertThat(held(5 * MOST, kbps -> 10_000)).isEqualTo(10_000);
    assertThat(looks).allMatch(kbps -> kbps <= 792 * 256);
  }
}
