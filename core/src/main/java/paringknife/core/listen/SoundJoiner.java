package paringknife.core.listen;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import paringknife.core.time.Span;

/**
 * The sound of a clip, joined from the recording to the sample, with an equal-power cross-fade of
 * {@value #FADE_US} microseconds centred on every join. The fade uses what lies just beyond the cut
 * on both sides, so the length is exactly that of the plan and never drifts. Any part of it can be
 * read by itself and is the same as in the whole.
 */
public final class SoundJoiner implements SampleSource {
  static final long FADE_US = 10_000;
  private static final int HALF = (int) momentAt(FADE_US / 2);

  private final SampleSource source;
  private final List<SoundPlan.Segment> segments;
  private final List<SoundPlan.Bed> beds;
  private final long[] starts;
  private final Map<Span, ToneLoop> loops = new HashMap<>();

  public SoundJoiner(SampleSource source, SoundPlan plan) {
    this.source = source;
    this.segments = plan.segments();
    this.beds = plan.beds();
    this.starts = new long[segments.size() + 1];
    long playedUs = 0;
    for (int i = 0; i < segments.size(); i++) {
      playedUs += segments.get(i).lengthUs();
      starts[i + 1] = momentAt(playedUs);
    }
  }

  /** The moment (sample index at 48 kHz) of a time. */
  public static long momentAt(long us) {
    return Math.floorDiv(us * SAMPLE_RATE + 500_000, 1_000_000);
  }

  /** How many moments the clip lasts. */
  public long moments() {
    return starts[segments.size()];
  }

  /** All of it; meant for clips of minutes. */
  public float[] whole() {
    return read(0, (int) moments());
  }

  @Override
  public float[] read(long from, int frames) {
    float[] out = new float[frames * CHANNELS];
    long to = Math.min(from + frames, moments());
    int i = Arrays.binarySearch(starts, Math.max(0, from - HALF));
    for (i = Math.max(0, i >= 0 ? i - 1 : -i - 2);
        i < segments.size() && starts[i] - HALF < to;
        i++) {
      addSegment(i, from, to, out);
    }
    for (SoundPlan.Bed bed : beds) {
      addBed(bed, from, to, out);
    }
    return out;
  }

  /** Adds what of a segment, its fades included, falls between two moments of the clip. */
  private void addSegment(int i, long from, long to, float[] out) {
    boolean fadeIn = i > 0;
    boolean fadeOut = i + 1 < segments.size();
    long begin = starts[i] - (fadeIn ? HALF : 0);
    long end = starts[i + 1] + (fadeOut ? HALF : 0);
    long first = Math.max(from, begin);
    int count = (int) (Math.min(to, end) - first);
    if (count <= 0) {
      return;
    }
    SoundPlan.Segment segment = segments.get(i);
    float[] recorded =
        segment instanceof SoundPlan.Recorded r
            ? source.read(momentAt(r.span().startUs()) + first - starts[i], count)
            : null;
    ToneLoop tone = segment instanceof SoundPlan.Tone t ? loop(t.from()) : null;
    for (int k = 0; k < count; k++) {
      long at = first + k;
      double gain = 1;
      if (fadeIn && at - begin < 2 * HALF) {
        gain = Math.sin(Math.PI / 2 * (at - begin + 0.5) / (2 * HALF));
      }
      if (fadeOut && end - 1 - at < 2 * HALF) {
        gain *= Math.sin(Math.PI / 2 * (end - at - 0.5) / (2 * HALF));
      }
      int target = (int) (at - from) * CHANNELS;
      for (int c = 0; c < CHANNELS; c++) {
        float sample = recorded != null ? recorded[k * CHANNELS + c] : tone.at(at - begin, c);
        out[target + c] += (float) (gain * sample);
      }
    }
  }

  private void addBed(SoundPlan.Bed bed, long from, long to, float[] out) {
    long begin = momentAt(bed.atUs());
    long end = momentAt(bed.atUs() + bed.lengthUs());
    long first = Math.max(from, begin - HALF);
    long last = Math.min(to, end + HALF);
    ToneLoop tone = first < last ? loop(bed.from()) : null;
    for (long at = first; at < last; at++) {
      double share = Math.max(0, Math.min(1, (at - begin) / (double) Math.max(1, end - begin)));
      double edge = Math.min(1, Math.min(at - begin + HALF, end + HALF - at) / (2.0 * HALF));
      double gain =
          (bed.gainAtStart() + share * (bed.gainAtEnd() - bed.gainAtStart()))
              * Math.sin(Math.PI / 2 * edge);
      for (int c = 0; c < CHANNELS; c++) {
        out[(int) (at - from) * CHANNELS + c] += (float) (gain * tone.at(at, c));
      }
    }
  }

  private ToneLoop loop(Span span) {
    return loops.computeIfAbsent(span, s -> new ToneLoop(source, s));
  }
}
