package paringknife.core.listen.clean;

import paringknife.core.listen.Fft;

/**
 * Holds steady noise down by a Wiener gain in each frequency band, from a noise profile and the
 * decision-directed estimate of the signal-to-noise ratio (Ephraim and Malah 1984; Scalart and
 * Vieira Filho 1996), refined in a second step so that beginnings of words are not blurred
 * (Plapous, Marro and Scalart 2006), never by more than {@value #MOST_DB} dB, so that the room
 * stays a room.
 */
final class NoiseReduction {
  static final double MOST_DB = 14;
  private static final int SIZE = 1024;
  static final int HOP = SIZE / 2;
  private static final double SMOOTHING = 0.95;

  private final Fft fft = new Fft(SIZE);
  private final double[] window = new double[SIZE];

  NoiseReduction() {
    for (int i = 0; i < SIZE; i++) {
      window[i] = Math.sin(Math.PI * (i + 0.5) / SIZE);
    }
  }

  /** Power in each band of a stretch that holds noise only. */
  double[] profile(float[] noise) {
    double[] power = new double[HOP + 1];
    int blocks = 0;
    double[] re = new double[SIZE];
    double[] im = new double[SIZE];
    for (int at = 0; at + SIZE <= noise.length; at += HOP) {
      load(noise, at, re, im);
      for (int k = 0; k <= HOP; k++) {
        power[k] += re[k] * re[k] + im[k] * im[k];
      }
      blocks++;
    }
    for (int k = 0; k <= HOP; k++) {
      power[k] = blocks == 0 ? 0 : power[k] / blocks;
    }
    return power;
  }

  /** Changes one channel in place. */
  void apply(float[] channel, double[] profile) {
    double floor = Math.pow(10, -MOST_DB / 20);
    double[] out = new double[channel.length];
    double[] before = new double[HOP + 1];
    double[] re = new double[SIZE];
    double[] im = new double[SIZE];
    for (int at = -HOP; at < channel.length; at += HOP) {
      load(channel, at, re, im);
      for (int k = 0; k <= HOP; k++) {
        double noise = profile[k] + 1e-18;
        double power = re[k] * re[k] + im[k] * im[k];
        double ratio =
            SMOOTHING * before[k] / noise + (1 - SMOOTHING) * Math.max(0, power / noise - 1);
        double first = ratio / (1 + ratio);
        double again = first * first * power / noise;
        double gain = Math.max(floor, again / (1 + again));
        before[k] = first * first * power;
        re[k] *= gain;
        im[k] *= gain;
        if (k > 0 && k < HOP) {
          re[SIZE - k] = re[k];
          im[SIZE - k] = -im[k];
        }
      }
      fft.inverse(re, im);
      for (int i = Math.max(0, -at); i < SIZE && at + i < channel.length; i++) {
        out[at + i] += re[i] * window[i];
      }
    }
    for (int i = 0; i < channel.length; i++) {
      channel[i] = (float) out[i];
    }
  }

  private void load(float[] sound, int at, double[] re, double[] im) {
    for (int i = 0; i < SIZE; i++) {
      int from = at + i;
      re[i] = from >= 0 && from < sound.length ? sound[from] * window[i] : 0;
      im[i] = 0;
    }
    fft.forward(re, im);
  }
}
