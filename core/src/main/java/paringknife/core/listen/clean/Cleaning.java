package paringknife.core.listen.clean;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import paringknife.core.listen.BlockwiseSound;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.RoomTone;
import paringknife.core.listen.RoomToneFinder;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.time.Span;

/**
 * Cleans an episode's sound. The noise that is held down and the hum that is taken out are those of
 * the quiet stretch nearest to each moment. Works in blocks of {@value #BLOCK_SECONDS} s with
 * enough heard beforehand, so any part can be asked for and always sounds the same.
 */
public final class Cleaning {
  private static final int BLOCK_SECONDS = 4;
  private static final int BLOCKS_KEPT = 10;
  private static final int BEFORE = 2 * SampleSource.SAMPLE_RATE;
  private static final int AFTER = SampleSource.SAMPLE_RATE / 10;

  /** Blocks are laid on the noise reduction's own steps, so that one goes on where another ends. */
  private static final int GRID = NoiseReduction.HOP;

  private static final double RATE = SampleSource.SAMPLE_RATE;

  private final RoomToneFinder tones;
  private final Evenness evenness;

  /**
   * @param tones of the same recording
   */
  public Cleaning(LevelCurve levels, RoomToneFinder tones) {
    this.tones = tones;
    this.evenness = new Evenness(levels);
  }

  /** What of the noise is known for one quiet stretch. */
  private record Quiet(MainsHum hum, double[] noise) {}

  /** The sound cleaned as asked; the same sound when nothing is asked for. */
  public SampleSource clean(SampleSource source, Cleanup asked) {
    if (asked.asksForNothing()) {
      return source;
    }
    Map<Span, Quiet> known = new ConcurrentHashMap<>();
    return new BlockwiseSound(
        BLOCK_SECONDS, BLOCKS_KEPT, (from, frames) -> block(source, asked, known, from, frames));
  }

  private float[] block(
      SampleSource source, Cleanup asked, Map<Span, Quiet> known, long from, int frames) {
    int before = (int) (from - Math.floorDiv(from - BEFORE, GRID) * GRID);
    float[] sound = source.read(from - before, before + frames + AFTER);
    Quiet quiet = quietNear(source, asked, known, Math.round((from + frames / 2.0) * 1e6 / RATE));
    boolean same = channelsAreAlike(sound);
    float[] left = channel(sound, 0);
    clean(left, asked, quiet);
    float[] right = left;
    if (!same) {
      right = channel(sound, 1);
      clean(right, asked, quiet);
    }
    float[] out = new float[frames * SampleSource.CHANNELS];
    for (int i = 0; i < frames; i++) {
      out[2 * i] = left[before + i];
      out[2 * i + 1] = right[before + i];
    }
    if (asked.even()) {
      evenness.apply(out, SampleSource.CHANNELS, from, RATE);
    }
    return out;
  }

  private static void clean(float[] channel, Cleanup asked, Quiet quiet) {
    if (asked.hum()) {
      HumFilter.apply(channel, quiet.hum(), RATE);
    }
    if (asked.noise()) {
      new NoiseReduction().apply(channel, quiet.noise());
    }
    if (asked.sibilance()) {
      DeEsser.apply(channel, RATE);
    }
  }

  private Quiet quietNear(SampleSource source, Cleanup asked, Map<Span, Quiet> known, long us) {
    Optional<RoomTone> tone = tones.near(us);
    if (tone.isEmpty()) {
      return new Quiet(
          new MainsHum(java.util.List.of()), new NoiseReduction().profile(new float[0]));
    }
    return known.computeIfAbsent(tone.get().span(), span -> listen(source, asked, span));
  }

  /** The stretch is filtered first as the voice is, so that hum is not held for noise. */
  private static Quiet listen(SampleSource source, Cleanup asked, Span span) {
    int moments = (int) (span.lengthUs() * SampleSource.SAMPLE_RATE / 1_000_000);
    float[] heard =
        channel(source.read(SoundJoiner.momentAt(span.startUs()) - BEFORE, BEFORE + moments), 0);
    MainsHum hum = MainsHum.in(java.util.Arrays.copyOfRange(heard, BEFORE, heard.length), RATE);
    if (asked.hum()) {
      HumFilter.apply(heard, hum, RATE);
    }
    return new Quiet(
        hum,
        new NoiseReduction().profile(java.util.Arrays.copyOfRange(heard, BEFORE, heard.length)));
  }

  private static boolean channelsAreAlike(float[] sound) {
    for (int i = 0; i + 1 < sound.length; i += 2) {
      if (sound[i] != sound[i + 1]) {
        return false;
      }
    }
    return true;
  }

  private static float[] channel(float[] interleaved, int which) {
    float[] channel = new float[interleaved.length / SampleSource.CHANNELS];
    for (int i = 0; i < channel.length; i++) {
      channel[i] = interleaved[i * SampleSource.CHANNELS + which];
    }
    return channel;
  }
}
