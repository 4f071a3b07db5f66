package paringknife.core.listen;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Sound that is costly to come by and is therefore made block by block, the last few of which are
 * kept. A block is always made whole, so the same moment sounds the same however it is asked for.
 */
public final class BlockwiseSound implements SampleSource {
  /** Makes interleaved stereo of {@code frames} moments from moment {@code from} on. */
  @FunctionalInterface
  public interface Maker {
    float[] make(long from, int frames);
  }

  private final int frames;
  private final Maker maker;
  private final Map<Long, float[]> blocks;

  /**
   * @param seconds length of a block
   * @param kept how many are kept
   */
  public BlockwiseSound(int seconds, int kept, Maker maker) {
    this.frames = seconds * SAMPLE_RATE;
    this.maker = maker;
    this.blocks =
        new LinkedHashMap<>(16, 0.75f, true) {
          @Override
          protected boolean removeEldestEntry(Map.Entry<Long, float[]> eldest) {
            return size() > kept;
          }
        };
  }

  @Override
  public synchronized float[] read(long from, int count) {
    float[] out = new float[count * CHANNELS];
    for (long at = Math.max(0, from); at < from + count; ) {
      long index = at / frames;
      float[] block = blocks.get(index);
      if (block == null) {
        block = maker.make(index * frames, frames);
        blocks.put(index, block);
      }
      int inside = (int) (at - index * frames);
      int taken = (int) Math.min(frames - inside, from + count - at);
      int there = Math.min(taken, block.length / CHANNELS - inside);
      if (there > 0) {
        System.arraycopy(
            block, inside * CHANNELS, out, (int) (at - from) * CHANNELS, there * CHANNELS);
      }
      at += taken;
    }
    return out;
  }
}
