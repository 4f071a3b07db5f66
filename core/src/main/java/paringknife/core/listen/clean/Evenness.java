package paringknife.core.listen.clean;

import paringknife.core.listen.LevelCurve;

/**
 * Brings soft and loud speech nearer together: a slow gain towards the level at which the recording
 * is usually spoken, worked out from its level curve over {@value #AROUND} windows to both sides.
 * Where nobody speaks it goes back to no gain, so that the room is not lifted.
 */
final class Evenness {
  static final double MOST_DB = 9;
  private static final double SHARE = 0.75;
  private static final int AROUND = 120;
  private static final int STEP = 5;
  private static final double ABOVE_FLOOR_DB = 12;
  private static final double UNDECIDED = 12;

  private final LevelCurve levels;
  private final double usual;
  private final double active;

  public Evenness(LevelCurve levels) {
    this.levels = levels;
    this.active = Math.max(-55, levels.percentile(0.1) + ABOVE_FLOOR_DB);
    float[] spoken = new float[levels.windows()];
    int count = 0;
    for (float level : levels.dbfs()) {
      if (level > active) {
        spoken[count++] = level;
      }
    }
    this.usual =
        count == 0 ? 0 : new LevelCurve(java.util.Arrays.copyOf(spoken, count)).percentile(0.5);
  }

  /** Gain at a time of the episode, dB. */
  public double gainDb(long us) {
    int middle = (int) Math.floorDiv(us, LevelCurve.WINDOW_US);
    double sum = 0;
    double weights = UNDECIDED;
    for (int k = -AROUND; k <= AROUND; k++) {
      int at = middle + k;
      if (at >= 0 && at < levels.windows() && levels.dbfs()[at] > active) {
        double weight = 1 - Math.abs(k) / (AROUND + 1.0);
        sum += weight * (usual - levels.dbfs()[at]);
        weights += weight;
      }
    }
    return Math.max(-MOST_DB, Math.min(MOST_DB, SHARE * sum / weights));
  }

  /** Changes interleaved sound that begins at a moment of the episode. */
  void apply(float[] interleaved, int channels, long firstMoment, double rate) {
    long step = Math.round(rate * STEP / 100);
    int moments = interleaved.length / channels;
    long next = Math.floorDiv(firstMoment, step) * step;
    double from = factor(next, rate);
    double to = factor(next + step, rate);
    for (int i = 0; i < moments; i++) {
      long at = firstMoment + i;
      if (at >= next + step) {
        next += step;
        from = to;
        to = factor(next + step, rate);
      }
      double gain = from + (to - from) * (at - next) / step;
      for (int c = 0; c < channels; c++) {
        interleaved[i * channels + c] *= (float) gain;
      }
    }
  }

  private double factor(long moment, double rate) {
    return Math.pow(10, gainDb(Math.round(moment * 1e6 / rate)) / 20);
  }
}
