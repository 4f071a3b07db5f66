package paringknife.core.listen;

import java.util.List;
import paringknife.core.time.Span;

/**
 * Joins the kept spans of a clip into one sound, to the sample, with an equal-power cross-fade of
 * {@value #FADE_US} microseconds centred on every join. The fade uses what lies just beyond the cut
 * on both sides, so the length is exactly the sum of the spans and never drifts.
 */
public final class SoundJoiner {
  static final long FADE_US = 10_000;

  private final SampleSource source;

  public SoundJoiner(SampleSource source) {
    this.source = source;
  }

  /** The moment (sample index at 48 kHz) of a time. */
  public static long momentAt(long us) {
    return Math.floorDiv(us * SampleSource.SAMPLE_RATE + 500_000, 1_000_000);
  }

  /** Interleaved stereo; as long as the spans together, to the sample. */
  public float[] join(List<Span> kept) {
    long totalUs = kept.stream().mapToLong(Span::lengthUs).sum();
    int channels = SampleSource.CHANNELS;
    float[] out = new float[(int) momentAt(totalUs) * channels];
    int half = (int) momentAt(FADE_US / 2);
    long playedUs = 0;
    for (int i = 0; i < kept.size(); i++) {
      Span span = kept.get(i);
      int at = (int) momentAt(playedUs);
      playedUs += span.lengthUs();
      int length = (int) momentAt(playedUs) - at;
      boolean fadeIn = i > 0;
      boolean fadeOut = i + 1 < kept.size();
      int lead = fadeIn ? half : 0;
      int trail = fadeOut ? half : 0;
      float[] piece = source.read(momentAt(span.startUs()) - lead, lead + length + trail);
      for (int k = 0; k < lead + length + trail; k++) {
        int target = at - lead + k;
        if (target < 0 || target * channels >= out.length) {
          continue;
        }
        double gain = 1;
        if (fadeIn && k < 2 * half) {
          gain = Math.sin(Math.PI / 2 * (k + 0.5) / (2 * half));
        }
        int toEnd = lead + length + trail - 1 - k;
        if (fadeOut && toEnd < 2 * half) {
          gain *= Math.sin(Math.PI / 2 * (toEnd + 0.5) / (2 * half));
        }
        for (int c = 0; c < channels; c++) {
          out[target * channels + c] += (float) (gain * piece[k * channels + c]);
        }
      }
    }
    return out;
  }
}
