package paringknife.core.listen;

/**
 * What tells one voice from another: twelve mel-frequency cepstral coefficients (Davis and
 * Mermelstein 1980) of 25 ms of sound every 20 ms, without the first, which is only loudness.
 */
final class VoiceFeatures {
  static final int COUNT = 12;
  static final long HOP_US = 20_000;

  private static final int WINDOW = SoundExcerpt.SAMPLE_RATE / 40;
  private static final int HOP = (int) (SoundExcerpt.SAMPLE_RATE * HOP_US / 1_000_000);
  private static final int BANDS = 24;
  private static final double LOWEST_HZ = 100;
  private static final double HIGHEST_HZ = 7_000;
  private static final double PRE_EMPHASIS = 0.97;

  private final Fft fft = Fft.holding(WINDOW);
  private final double[] hamming = new double[WINDOW];
  private final double[][] bands = new double[BANDS][fft.size() / 2 + 1];
  private final double[][] cosines = new double[COUNT][BANDS];

  VoiceFeatures() {
    for (int i = 0; i < WINDOW; i++) {
      hamming[i] = 0.54 - 0.46 * Math.cos(2 * Math.PI * i / (WINDOW - 1));
    }
    double low = mel(LOWEST_HZ);
    double step = (mel(HIGHEST_HZ) - low) / (BANDS + 1);
    for (int b = 0; b < BANDS; b++) {
      for (int k = 0; k < bands[b].length; k++) {
        double at = (mel(k * (double) SoundExcerpt.SAMPLE_RATE / fft.size()) - low) / step - b;
        bands[b][k] = Math.max(0, at < 1 ? at : 2 - at);
      }
      for (int c = 0; c < COUNT; c++) {
        cosines[c][b] = Math.cos(Math.PI * (c + 1) * (b + 0.5) / BANDS);
      }
    }
  }

  private static double mel(double hz) {
    return 2595 * Math.log10(1 + hz / 700);
  }

  /**
   * The features of a stretch of sound, one row every {@link #HOP_US}; none when it is too short.
   */
  double[][] of(SoundExcerpt sound, long fromUs, long toUs) {
    int samples = (int) ((toUs - fromUs) * SoundExcerpt.SAMPLE_RATE / 1_000_000);
    int rows = samples < WINDOW ? 0 : (samples - WINDOW) / HOP + 1;
    double[][] features = new double[rows][];
    if (rows > 0) {
      float[] read = sound.read(fromUs, samples);
      for (int r = 0; r < rows; r++) {
        features[r] = cepstrum(read, r * HOP);
      }
    }
    return features;
  }

  private double[] cepstrum(float[] sound, int from) {
    double[] re = new double[fft.size()];
    double[] im = new double[fft.size()];
    for (int i = 0; i < WINDOW; i++) {
      double before = from + i == 0 ? 0 : sound[from + i - 1];
      re[i] = (sound[from + i] - PRE_EMPHASIS * before) * hamming[i];
    }
    fft.forward(re, im);
    double[] logs = new double[BANDS];
    for (int b = 0; b < BANDS; b++) {
      double energy = 1e-10;
      for (int k = 0; k < bands[b].length; k++) {
        energy += bands[b][k] * (re[k] * re[k] + im[k] * im[k]);
      }
      logs[b] = Math.log(energy);
    }
    double[] cepstrum = new double[COUNT];
    for (int c = 0; c < COUNT; c++) {
      for (int b = 0; b < BANDS; b++) {
        cepstrum[c] += cosines[c][b] * logs[b];
      }
    }
    return cepstrum;
  }
}
