package paringknife.media.ffmpeg;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.function.DoubleConsumer;
import org.jspecify.annotations.Nullable;

/**
 * Brings a file that came out too large to just under its limit: it is encoded again at a bit rate,
 * and that is put right by what comes of it. What fits and comes nearest is kept.
 *
 * @param mostBytes the limit
 * @param besideBytes what of a file the bit rate does not decide
 * @param seconds how long it is
 */
record HeldSize(long mostBytes, double besideBytes, double seconds) {
  /** How much of a limit is aimed at, so that it is kept within two per cent. */
  private static final double AIM = 0.99;

  private static final double LEAST = 0.98;
  private static final double BYTES_OF_A_KBIT = 125;
  private static final int LEAST_KBPS = 20;
  private static final int MOST_LOOKS = 5;

  /** A bit rate that spends little of itself, as in a picture that stands still, grows no more. */
  private static final double MOST_GROWTH = 4;

  /** How much of what is left each look is taken for; most often the first is the last. */
  private static final double SHARE = 0.9;

  /** Encodes a file at the quality asked for. */
  @FunctionalInterface
  interface First {
    /**
     * Encodes.
     *
     * @param progress told the share done, 0 to 1
     */
    void encode(DoubleConsumer progress) throws IOException;
  }

  /** Encodes a file anew. */
  @FunctionalInterface
  interface Again {
    /**
     * Encodes.
     *
     * @param kbps what is to be spent, kilobits a second
     * @param progress told the share done, 0 to 1
     */
    void encode(int kbps, DoubleConsumer progress) throws IOException;
  }

  /**
   * Makes a file that is held to the limit.
   *
   * @param made where each look puts it
   * @param progress told the share done, 0 to 1
   */
  void make(Path made, First first, Again again, DoubleConsumer progress) throws IOException {
    first.encode(share -> progress.accept(share / 2));
    hold(made, again, share -> progress.accept((1 + share) / 2));
  }

  private void hold(Path made, Again again, DoubleConsumer progress) throws IOException {
    if (Files.size(made) <= mostBytes) {
      return;
    }
    Path kept = made.resolveSibling("fits-" + made.getFileName());
    Look fitting = null;
    Look tooLarge = null;
    double done = 0;
    for (int n = 0; n < MOST_LOOKS; n++) {
      int kbps = next(fitting, tooLarge);
      if (fitting != null && kbps <= fitting.kbps()
          || tooLarge != null && kbps >= tooLarge.kbps()) {
        break;
      }
      double from = done;
      again.encode(kbps, share -> progress.accept(from + (1 - from) * SHARE * share));
      done += (1 - done) * SHARE;
      Look look = new Look(kbps, Files.size(made));
      if (look.bytes() > mostBytes) {
        tooLarge = look;
      } else if (look.bytes() >= mostBytes * LEAST) {
        return;
      } else {
        fitting = look;
        Files.copy(made, kept, StandardCopyOption.REPLACE_EXISTING);
      }
    }
    if (fitting != null) {
      Files.move(kept, made, StandardCopyOption.REPLACE_EXISTING);
    }
  }

  /** What came of a bit rate. */
  private record Look(int kbps, long bytes) {}

  /** Between what fits and what does not, or by how far either is off. */
  private int next(@Nullable Look fitting, @Nullable Look tooLarge) {
    double aim = mostBytes * AIM - besideBytes;
    double kbps = aim / BYTES_OF_A_KBIT / seconds;
    if (fitting != null && tooLarge != null) {
      double share =
          (mostBytes * AIM - fitting.bytes()) / (double) (tooLarge.bytes() - fitting.bytes());
      kbps = fitting.kbps() + share * (tooLarge.kbps() - fitting.kbps());
    } else if (fitting != null || tooLarge != null) {
      Look last = fitting != null ? fitting : tooLarge;
      double off = aim / Math.max(1, last.bytes() - besideBytes);
      kbps = last.kbps() * Math.min(MOST_GROWTH, off);
    }
    return (int) Math.max(LEAST_KBPS, kbps);
  }
}
