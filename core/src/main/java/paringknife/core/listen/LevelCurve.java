package paringknife.core.listen;

/**
 * The level of a recording: for each window of {@value #WINDOW_US} microseconds the highest sample,
 * in dBFS (0 is full scale, {@value #FLOOR_DB} stands for silence).
 */
public record LevelCurve(float[] dbfs) {
  public static final long WINDOW_US = 10_000;
  public static final float FLOOR_DB = -120f;

  public int windows() {
    return dbfs.length;
  }

  public long durationUs() {
    return dbfs.length * WINDOW_US;
  }

  /** The window in which a time lies, clamped to the curve. */
  public int windowAt(long us) {
    return (int) Math.max(0, Math.min(dbfs.length - 1, Math.floorDiv(us, WINDOW_US)));
  }

  /** The level that {@code share} (0 to 1) of all windows stay below; the floor when empty. */
  public float percentile(double share) {
    if (dbfs.length == 0) {
      return FLOOR_DB;
    }
    float[] sorted = dbfs.clone();
    java.util.Arrays.sort(sorted);
    return sorted[(int) Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  }

  /** Highest level between two times; the floor when the stretch is empty. */
  public float highest(long fromUs, long toUs) {
    float highest = FLOOR_DB;
    if (dbfs.length > 0 && toUs > fromUs) {
      for (int i = windowAt(fromUs); i <= windowAt(toUs - 1); i++) {
        highest = Math.max(highest, dbfs[i]);
      }
    }
    return highest;
  }

  /** Collects a curve from samples in order; 48 kHz means 480 samples a window. */
  public static final class Collector {
    private final int samplesPerWindow;
    private float[] levels = new float[4096];
    private int count;
    private float peak;
    private int filled;

    public Collector(int sampleRate) {
      this.samplesPerWindow = (int) (sampleRate * WINDOW_US / 1_000_000);
    }

    /** Takes one moment's loudest channel, -1 to 1. */
    public void add(float sample) {
      peak = Math.max(peak, Math.abs(sample));
      if (++filled == samplesPerWindow) {
        close();
      }
    }

    private void close() {
      if (count == levels.length) {
        levels = java.util.Arrays.copyOf(levels, count * 2);
      }
      levels[count++] = peak <= 1e-6f ? FLOOR_DB : (float) (20 * Math.log10(peak));
      peak = 0;
      filled = 0;
    }

    public LevelCurve finish() {
      if (filled > 0) {
        close();
      }
      return new LevelCurve(java.util.Arrays.copyOf(levels, count));
    }
  }
}
