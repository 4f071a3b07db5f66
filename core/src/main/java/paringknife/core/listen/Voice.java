package paringknife.core.listen;

/**
 * What is known of a voice: the sums from which the normal distribution of its features follows.
 * Voices add up exactly.
 */
final class Voice {
  private static final int N = VoiceFeatures.COUNT;

  /** Added to every variance, so that little speech is not taken for certainty. */
  private static final double FLOOR = 0.05;

  private double count;
  private final double[] sum = new double[N];
  private final double[][] squares = new double[N][N];
  private double logDeterminant = Double.NaN;
  private double[][] factor = new double[0][];

  static Voice of(double[][] features) {
    Voice voice = new Voice();
    for (double[] row : features) {
      voice.count++;
      for (int i = 0; i < N; i++) {
        voice.sum[i] += row[i];
        for (int j = 0; j <= i; j++) {
          voice.squares[i][j] += row[i] * row[j];
        }
      }
    }
    return voice;
  }

  Voice with(Voice other) {
    Voice both = new Voice();
    both.count = count + other.count;
    for (int i = 0; i < N; i++) {
      both.sum[i] = sum[i] + other.sum[i];
      for (int j = 0; j <= i; j++) {
        both.squares[i][j] = squares[i][j] + other.squares[i][j];
      }
    }
    return both;
  }

  /** Rows of features it is known from. */
  double count() {
    return count;
  }

  /** Natural logarithm of the determinant of the covariance. */
  double logDeterminant() {
    settle();
    return logDeterminant;
  }

  /** Log likelihood of a row of features, but for a constant that all voices share. */
  double likelihood(double[] row) {
    settle();
    double[] y = new double[N];
    double distance = 0;
    for (int i = 0; i < N; i++) {
      double value = row[i] - sum[i] / count;
      for (int j = 0; j < i; j++) {
        value -= factor[i][j] * y[j];
      }
      y[i] = value / factor[i][i];
      distance += y[i] * y[i];
    }
    return -0.5 * (distance + logDeterminant);
  }

  /** Works the Cholesky factor of the covariance out. */
  private void settle() {
    if (!Double.isNaN(logDeterminant)) {
      return;
    }
    double[][] l = new double[N][N];
    double log = 0;
    for (int i = 0; i < N; i++) {
      for (int j = 0; j <= i; j++) {
        double value =
            squares[i][j] / count - sum[i] / count * (sum[j] / count) + (i == j ? FLOOR : 0);
        for (int k = 0; k < j; k++) {
          value -= l[i][k] * l[j][k];
        }
        l[i][j] = i == j ? Math.sqrt(Math.max(value, 1e-9)) : value / l[j][j];
      }
      log += 2 * Math.log(l[i][i]);
    }
    factor = l;
    logDeterminant = log;
  }
}
