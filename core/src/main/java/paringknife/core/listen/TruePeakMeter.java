package paringknife.core.listen;

import java.util.Arrays;

/**
 * True peak by four times oversampling (ITU-R BS.1770-4, annex 2), with a windowed-sinc
 * interpolator of {@value #TAPS} taps a phase.
 */
public final class TruePeakMeter {
  static final int PHASES = 4;
  static final int TAPS = 12;
  private static final double[][] KERNEL = kernel();

  private final int channels;
  private double highest;

  /**
   * The end of what was taken, whose last moments wait for what follows; so many at its start are
   * measured.
   */
  private float[] held = {};

  private int measured;

  /** Listens to a sound part by part; the parts join without a step. */
  public TruePeakMeter(int channels) {
    this.channels = channels;
  }

  private static double[][] kernel() {
    double[][] kernel = new double[PHASES][TAPS];
    for (int p = 0; p < PHASES; p++) {
      double sum = 0;
      for (int t = 0; t < TAPS; t++) {
        double x = t - (TAPS / 2 - 1) - p / (double) PHASES;
        double sinc = x == 0 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
        double window = 0.5 + 0.5 * Math.cos(Math.PI * x / (TAPS / 2.0 + 0.5));
        kernel[p][t] = sinc * window;
        sum += kernel[p][t];
      }
      for (int t = 0; t < TAPS; t++) {
        kernel[p][t] /= sum;
      }
    }
    return kernel;
  }

  /** The highest magnitude between moments {@code i} and {@code i + 1} of one channel. */
  static double peakAt(float[] interleaved, int channels, int channel, int i) {
    int moments = interleaved.length / channels;
    double highest = 0;
    for (double[] phase : KERNEL) {
      double sum = 0;
      for (int t = 0; t < TAPS; t++) {
        int at = i + t - (TAPS / 2 - 1);
        if (at >= 0 && at < moments) {
          sum += phase[t] * interleaved[at * channels + channel];
        }
      }
      highest = Math.max(highest, Math.abs(sum));
    }
    return highest;
  }

  /** Takes what follows, channels interleaved, -1 to 1. */
  public void add(float[] interleaved) {
    float[] joined = Arrays.copyOf(held, held.length + interleaved.length);
    System.arraycopy(interleaved, 0, joined, held.length, interleaved.length);
    int upTo = Math.max(measured, joined.length / channels - TAPS / 2);
    highest = Math.max(highest, highestOf(joined, measured, upTo));
    int from = Math.max(0, upTo - TAPS / 2);
    held = Arrays.copyOfRange(joined, from * channels, joined.length);
    measured = upTo - from;
  }

  /** True peak of all that was taken, in dBTP; {@link LevelCurve#FLOOR_DB} for silence. */
  public double dbtp() {
    double peak = Math.max(highest, highestOf(held, measured, held.length / channels));
    return peak <= 1e-6 ? LevelCurve.FLOOR_DB : 20 * Math.log10(peak);
  }

  private double highestOf(float[] interleaved, int from, int to) {
    double found = highest;
    for (int i = from; i < to; i++) {
      for (int c = 0; c < channels; c++) {
        if (Math.abs(interleaved[i * channels + c]) > 0.4 * found) {
          found = Math.max(found, peakAt(interleaved, channels, c, i));
        }
      }
    }
    return found;
  }

  /** True peak of a whole sound in dBTP; {@link LevelCurve#FLOOR_DB} for silence. */
  public static double dbtp(float[] interleaved, int channels) {
    TruePeakMeter meter = new TruePeakMeter(channels);
    meter.add(interleaved);
    return meter.dbtp();
  }
}
