package paringknife.core.listen;

/** Sound of a recording, one channel, {@value #SAMPLE_RATE} Hz, -1 to 1. */
@FunctionalInterface
public interface SoundExcerpt {
  int SAMPLE_RATE = 16_000;

  /** Samples from a time on; what lies outside the recording is silence. */
  float[] read(long fromUs, int samples);
}
