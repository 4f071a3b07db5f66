package paringknife.core.listen;

/**
 * Finds how one row of values lies in another, by Fourier transform. The spectrum can be whitened
 * in part, which makes the peak narrow where two microphones colour the same sound differently
 * (generalized correlation with phase transform, Knapp and Carter 1976).
 */
final class CrossCorrelation {
  private final Fft fft;
  private final int referenceLength;
  private final double[] referenceRe;
  private final double[] referenceIm;

  /**
   * A best match.
   *
   * @param lag index of the reference at which the first value of the other lies; a fraction where
   *     the peak lies between two values
   * @param prominence height of the peak in standard deviations of all lags tried
   */
  record Match(double lag, double prominence) {}

  /**
   * @param longestOther the longest row that will be looked for
   */
  CrossCorrelation(float[] reference, int longestOther) {
    this.fft = Fft.holding(reference.length + longestOther);
    this.referenceLength = reference.length;
    this.referenceRe = new double[fft.size()];
    this.referenceIm = new double[fft.size()];
    for (int i = 0; i < reference.length; i++) {
      referenceRe[i] = reference[i];
    }
    fft.forward(referenceRe, referenceIm);
  }

  /**
   * The best place of {@code other} with a lag from {@code lowest} to {@code highest}.
   *
   * @param whitening 0 for plain correlation, 1 for phase only
   */
  Match find(float[] other, int lowest, int highest, double whitening) {
    double[] re = new double[fft.size()];
    double[] im = new double[fft.size()];
    for (int i = 0; i < other.length; i++) {
      re[i] = other[i];
    }
    fft.forward(re, im);
    for (int i = 0; i < re.length; i++) {
      double x = referenceRe[i] * re[i] + referenceIm[i] * im[i];
      double y = referenceIm[i] * re[i] - referenceRe[i] * im[i];
      double scale = whitening == 0 ? 1 : 1 / Math.pow(Math.hypot(x, y) + 1e-12, whitening);
      re[i] = x * scale;
      im[i] = y * scale;
    }
    fft.inverse(re, im);
    int from = Math.max(lowest, 1 - other.length);
    int to = Math.min(highest, referenceLength - 1);
    int best = from;
    double sum = 0;
    double squares = 0;
    for (int lag = from; lag <= to; lag++) {
      double value = re[Math.floorMod(lag, fft.size())];
      sum += value;
      squares += value * value;
      if (value > re[Math.floorMod(best, fft.size())]) {
        best = lag;
      }
    }
    int tried = Math.max(1, to - from + 1);
    double mean = sum / tried;
    double deviation = Math.sqrt(Math.max(1e-30, squares / tried - mean * mean));
    return new Match(
        best + between(re, best), (re[Math.floorMod(best, fft.size())] - mean) / deviation);
  }

  /** Where between its neighbours a peak lies, by the parabola through the three. */
  private double between(double[] values, int peak) {
    double before = values[Math.floorMod(peak - 1, fft.size())];
    double at = values[Math.floorMod(peak, fft.size())];
    double after = values[Math.floorMod(peak + 1, fft.size())];
    double bend = before - 2 * at + after;
    return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, 0.5 * (before - after) / bend));
  }
}
