package paringknife.core.listen;

/**
 * Brings a sound to a loudness: measured, one linear gain, the limiter. Where the limiter takes
 * much, a second round over the result comes closer.
 *
 * @param lufs integrated loudness aimed at
 * @param ceilingDbtp highest true peak allowed
 */
public record LoudnessTarget(double lufs, double ceilingDbtp) {
  private static final double MOST_GAIN_DB = 30;

  /** Gain in dB that brings a measured sound to the target; 0 for silence. */
  public double gainDb(SoundMeasure measured) {
    return measured.lufs() <= LoudnessMeter.SILENCE_LUFS
        ? 0
        : Math.min(MOST_GAIN_DB, lufs - measured.lufs());
  }

  /** The sound brought nearer to the target; silence stays silence. */
  public SampleSource round(SampleSource source, SoundMeasure measured) {
    return new Limiter(source, Math.pow(10, gainDb(measured) / 20), ceilingDbtp);
  }
}
