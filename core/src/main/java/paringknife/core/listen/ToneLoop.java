package paringknife.core.listen;

import paringknife.core.time.Span;

/**
 * A stretch of room tone that goes round without a seam: its end is faded into its beginning by
 * equal power, which keeps the level of noise even.
 */
final class ToneLoop {
  private static final int FADE = SampleSource.SAMPLE_RATE / 20;

  private final float[] loop;

  /** An empty span gives silence. */
  ToneLoop(SampleSource source, Span span) {
    int length = (int) (SoundJoiner.momentAt(span.endUs()) - SoundJoiner.momentAt(span.startUs()));
    if (length < 8) {
      this.loop = new float[0];
      return;
    }
    int fade = Math.min(FADE, length / 3);
    int channels = SampleSource.CHANNELS;
    float[] tone = source.read(SoundJoiner.momentAt(span.startUs()), length);
    this.loop = java.util.Arrays.copyOf(tone, (length - fade) * channels);
    for (int k = 0; k < fade; k++) {
      double in = Math.sin(Math.PI / 2 * (k + 0.5) / fade);
      double out = Math.cos(Math.PI / 2 * (k + 0.5) / fade);
      for (int c = 0; c < channels; c++) {
        loop[k * channels + c] =
            (float) (in * tone[k * channels + c] + out * tone[(length - fade + k) * channels + c]);
      }
    }
  }

  /** The sample of a channel at a moment, counted from anywhere. */
  float at(long moment, int channel) {
    if (loop.length == 0) {
      return 0;
    }
    int moments = loop.length / SampleSource.CHANNELS;
    return loop[(int) Math.floorMod(moment, (long) moments) * SampleSource.CHANNELS + channel];
  }
}
