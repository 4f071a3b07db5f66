package paringknife.media.ffmpeg;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.SoundJoiner;
import paringknife.core.time.Span;
import paringknife.media.process.ChildProcess;

/** A stretch of an episode's sound, decoded into memory. */
public final class SoundWindow implements SampleSource {
  private static final long AROUND_US = 1_000_000;

  private final long first;
  private final float[] samples;

  private SoundWindow(long first, float[] samples) {
    this.first = first;
    this.samples = samples;
  }

  /** Decodes what the spans need, with a second to spare on both sides. */
  public static SampleSource covering(Path sound, List<Span> spans) {
    long from = spans.stream().mapToLong(Span::startUs).min().orElse(0) - AROUND_US;
    long to = spans.stream().mapToLong(Span::endUs).max().orElse(0) + AROUND_US;
    long needed = spans.stream().mapToLong(s -> s.lengthUs() + 2 * AROUND_US).sum();
    if (to - from <= needed + 120_000_000L) {
      return decode(sound, Math.max(0, from), to);
    }
    List<SoundWindow> parts = new ArrayList<>();
    for (Span span : spans) {
      parts.add(decode(sound, Math.max(0, span.startUs() - AROUND_US), span.endUs() + AROUND_US));
    }
    return (at, frames) ->
        parts.stream()
            .filter(p -> p.holds(at + frames / 2))
            .findFirst()
            .orElse(parts.get(0))
            .read(at, frames);
  }

  private boolean holds(long moment) {
    return moment >= first && moment < first + samples.length / CHANNELS;
  }

  private static SoundWindow decode(Path sound, long fromUs, long toUs) {
    long fromSecond = fromUs / 1_000_000;
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(
        List.of(
            "-ss", Long.toString(fromSecond),
            "-t", Double.toString(toUs / 1e6 - fromSecond),
            "-i", Input.argument(sound),
            "-f", "f32le", "-ac", "2", "-ar", "48000", "pipe:1"));
    byte[] bytes = ChildProcess.run(command, null, Duration.ofMinutes(5)).output();
    float[] samples = new float[bytes.length / 4];
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
    return new SoundWindow(SoundJoiner.momentAt(fromSecond * 1_000_000), samples);
  }

  @Override
  public float[] read(long from, int frames) {
    float[] out = new float[frames * CHANNELS];
    for (int i = 0; i < out.length; i++) {
      long at = (from - first) * CHANNELS + i;
      if (at >= 0 && at < samples.length) {
        out[i] = samples[(int) at];
      }
    }
    return out;
  }
}
