package paringknife.core.listen.clean;

import paringknife.core.listen.Biquad;

/**
 * Softens sharp s sounds: what lies above {@value #SPLIT_HZ} Hz is turned down while it is stronger
 * than speech has it usually, against the level of the voice itself (common practice). What is
 * turned down is the sound less what a low-pass lets through, since that is in step with it. What
 * is not turned down passes unchanged.
 */
final class DeEsser {
  static final double SPLIT_HZ = 5_500;
  static final double MOST_DB = 10;
  private static final double ALLOWED_SHARE = 0.22;

  private DeEsser() {}

  static void apply(float[] channel, double rate) {
    Biquad split = Biquad.highPass(SPLIT_HZ, Math.sqrt(0.5), rate);
    Biquad below = Biquad.lowPass(SPLIT_HZ, 0.5, rate);
    double fast = 1 - Math.exp(-1 / (0.002 * rate));
    double release = 1 - Math.exp(-1 / (0.03 * rate));
    double slow = 1 - Math.exp(-1 / (0.25 * rate));
    double least = Math.pow(10, -MOST_DB / 20);
    double sharp = 0;
    double voice = 0;
    double gain = 1;
    for (int i = 0; i < channel.length; i++) {
      double high = split.filter(channel[i]);
      sharp += fast * (high * high - sharp);
      double low = channel[i] - high;
      voice += (low * low > voice ? slow : slow / 4) * (low * low - voice);
      double allowed = ALLOWED_SHARE * ALLOWED_SHARE * voice;
      double wanted =
          sharp > allowed && sharp > 1e-9 ? Math.max(least, Math.sqrt(allowed / sharp)) : 1;
      gain += (wanted < gain ? fast : release) * (wanted - gain);
      channel[i] = (float) (channel[i] - (1 - gain) * (channel[i] - below.filter(channel[i])));
    }
  }
}
