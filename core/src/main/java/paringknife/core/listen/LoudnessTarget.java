package paringknife.core.listen;

/**
 * Brings a sound to a loudness in two passes: measure, then one linear gain and the limiter.
 *
 * @param lufs integrated loudness aimed at
 * @param ceilingDbtp highest true peak allowed
 */
public record LoudnessTarget(double lufs, double ceilingDbtp) {
  private static final double MOST_GAIN_DB = 30;

  /** Changes the samples in place; silence stays silence. */
  public void apply(float[] interleaved, int channels) {
    for (int pass = 0; pass < 2; pass++) {
      LoudnessMeter meter = new LoudnessMeter(channels);
      meter.add(interleaved);
      double measured = meter.integratedLufs();
      if (measured <= LoudnessMeter.SILENCE_LUFS) {
        return;
      }
      float gain = (float) Math.pow(10, Math.min(MOST_GAIN_DB, lufs - measured) / 20);
      for (int i = 0; i < interleaved.length; i++) {
        interleaved[i] *= gain;
      }
      Limiter.limit(interleaved, channels, ceilingDbtp);
    }
  }
}
