package paringknife.media.ffmpeg;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.LoudnessMeter;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.TruePeakMeter;

/** Listens to a recording without taking it in, a second at a time. */
public final class Levels {
  private static final Duration LIMIT = Duration.ofHours(1);

  /** Integrated loudness and true peak of a whole recording. */
  public record Loudness(double lufs, double truePeakDbtp) {}

  /** Takes a second of interleaved samples. */
  private interface Ear {
    void hear(float[] samples, int channels);
  }

  private Levels() {}

  /** The level curve of a recording's first sound. */
  public static LevelCurve of(Path media) {
    LevelCurve.Collector collector = new LevelCurve.Collector(SampleSource.SAMPLE_RATE);
    listen(
        media,
        (samples, channels) -> {
          for (int i = 0; i < samples.length; i += channels) {
            collector.add(Math.max(Math.abs(samples[i]), Math.abs(samples[i + channels - 1])));
          }
        });
    return collector.finish();
  }

  public static Loudness loudness(Path media) {
    LoudnessMeter mono = new LoudnessMeter(1);
    LoudnessMeter stereo = new LoudnessMeter(2);
    TruePeakMeter monoPeak = new TruePeakMeter(1);
    TruePeakMeter stereoPeak = new TruePeakMeter(2);
    listen(
        media,
        (samples, channels) -> {
          (channels == 1 ? mono : stereo).add(samples);
          (channels == 1 ? monoPeak : stereoPeak).add(samples);
        });
    return new Loudness(
        Math.max(mono.integratedLufs(), stereo.integratedLufs()),
        Math.max(monoPeak.dbtp(), stereoPeak.dbtp()));
  }

  private static void listen(Path media, Ear ear) {
    Recording recording = Probe.of(media);
    if (!recording.hasSound()) {
      throw new UnusableRecording(media.getFileName() + " has no sound.");
    }
    int channels = recording.soundChannels() == 1 ? 1 : SampleSource.CHANNELS;
    Ffmpeg.now()
        .recording(media)
        .with("-map", "0:a:0", "-f", "f32le", "-ac", Integer.toString(channels))
        .with("-ar", "48000", "pipe:1")
        .within(LIMIT)
        .read(
            in -> {
              byte[] block = new byte[SampleSource.SAMPLE_RATE * channels * Float.BYTES];
              for (int n = in.readNBytes(block, 0, block.length);
                  n > 0;
                  n = in.readNBytes(block, 0, block.length)) {
                float[] samples = new float[n / Float.BYTES];
                ByteBuffer.wrap(block, 0, n)
                    .order(ByteOrder.LITTLE_ENDIAN)
                    .asFloatBuffer()
                    .get(samples);
                ear.hear(samples, channels);
              }
              return media;
            });
  }
}
