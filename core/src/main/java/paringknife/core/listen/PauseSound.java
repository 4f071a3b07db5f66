package paringknife.core.listen;

/**
 * The sound in which pauses are looked for: without the rumble and mains hum that would hide them
 * (fourth-order Butterworth high-pass at {@value #LOWEST_HZ} Hz). It is only measured, never heard.
 */
public final class PauseSound {
  private static final double LOWEST_HZ = 110;
  private static final double HIDES_DB = 6;

  private final Biquad first;
  private final Biquad second;
  private final LevelCurve.Collector levels;

  public PauseSound(int sampleRate) {
    this.first = Biquad.highPass(LOWEST_HZ, 0.5412, sampleRate);
    this.second = Biquad.highPass(LOWEST_HZ, 1.3066, sampleRate);
    this.levels = new LevelCurve.Collector(sampleRate);
  }

  /** Takes one moment, all channels mixed, -1 to 1. */
  public void add(float sample) {
    levels.add((float) second.filter(first.filter(sample)));
  }

  public LevelCurve finish() {
    return levels.finish();
  }

  /**
   * The curve to look for pauses in: the recording's own, unless its quiet places are much quieter
   * without rumble and hum.
   */
  public static LevelCurve choose(LevelCurve own, LevelCurve prepared) {
    return own.percentile(0.1) - prepared.percentile(0.1) >= HIDES_DB ? prepared : own;
  }
}
