package paringknife.core.listen;

/**
 * How loud a sound is, listened to a few seconds at a time.
 *
 * @param lufs integrated loudness; {@link LoudnessMeter#SILENCE_LUFS} for silence
 * @param truePeakDbtp highest true peak; {@link LevelCurve#FLOOR_DB} for silence
 */
public record SoundMeasure(double lufs, double truePeakDbtp) {
  private static final int BLOCK = 5 * SampleSource.SAMPLE_RATE;

  /** Measures the first {@code moments} of a sound. */
  public static SoundMeasure of(SampleSource source, long moments) {
    LoudnessMeter meter = new LoudnessMeter(SampleSource.CHANNELS);
    TruePeakMeter peak = new TruePeakMeter(SampleSource.CHANNELS);
    for (long at = 0; at < moments; at += BLOCK) {
      float[] block = source.read(at, (int) Math.min(BLOCK, moments - at));
      meter.add(block);
      peak.add(block);
    }
    return new SoundMeasure(meter.integratedLufs(), peak.dbtp());
  }
}
