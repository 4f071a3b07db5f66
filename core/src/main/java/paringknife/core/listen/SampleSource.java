package paringknife.core.listen;

/** Sound of an episode by exact sample, 48 kHz, interleaved stereo, -1 to 1. */
public interface SampleSource {
  int SAMPLE_RATE = 48_000;
  int CHANNELS = 2;

  /**
   * Reads {@code frames} moments starting at moment {@code from}; what lies before the start or
   * after the end of the recording is silence.
   */
  float[] read(long from, int frames);
}
