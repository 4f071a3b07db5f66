package paringknife.core.listen;

/**
 * True peak by four times oversampling (ITU-R BS.1770-4, annex 2), with a windowed-sinc
 * interpolator of {@value #TAPS} taps a phase.
 */
public final class TruePeakMeter {
  static final int PHASES = 4;
  static final int TAPS = 12;
  private static final double[][] KERNEL = kernel();

  private TruePeakMeter() {}

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

  /** True peak of a whole sound in dBTP; {@link LevelCurve#FLOOR_DB} for silence. */
  public static double dbtp(float[] interleaved, int channels) {
    double highest = 0;
    for (int i = 0; i < interleaved.length / channels; i++) {
      for (int c = 0; c < channels; c++) {
        float sample = Math.abs(interleaved[i * channels + c]);
        if (sample > 0.4 * highest) {
          highest = Math.max(highest, peakAt(interleaved, channels, c, i));
        }
      }
    }
    return highest <= 1e-6 ? LevelCurve.FLOOR_DB : 20 * Math.log10(highest);
  }
}
