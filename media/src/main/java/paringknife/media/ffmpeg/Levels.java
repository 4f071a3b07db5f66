package paringknife.media.ffmpeg;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.LoudnessMeter;
import paringknife.core.listen.SampleSource;
import paringknife.core.listen.TruePeakMeter;
import paringknife.media.process.ChildProcess;
import paringknife.media.process.ProcessFailed;

/** Listens to a recording without taking it in, a second at a time. */
public final class Levels {
  private static final Duration LIMIT = Duration.ofHours(1);

  /** Integrated loudness and true peak of a whole recording. */
  public record Loudness(double lufs, double truePeakDbtp) {}

  private Levels() {}

  /** The level curve of a recording's first sound. */
  public static LevelCurve of(Path media) {
    LevelCurve.Collector collector = new LevelCurve.Collector(SampleSource.SAMPLE_RATE);
    listen(
        media,
        samples -> {
          for (int i = 0; i + 1 < samples.length; i += 2) {
            collector.add(Math.max(Math.abs(samples[i]), Math.abs(samples[i + 1])));
          }
        });
    return collector.finish();
  }

  public static Loudness loudness(Path media) {
    LoudnessMeter meter = new LoudnessMeter(SampleSource.CHANNELS);
    double[] peak = {LevelCurve.FLOOR_DB};
    listen(
        media,
        samples -> {
          meter.add(samples);
          peak[0] = Math.max(peak[0], TruePeakMeter.dbtp(samples, SampleSource.CHANNELS));
        });
    return new Loudness(meter.integratedLufs(), peak[0]);
  }

  private static void listen(Path media, Consumer<float[]> ear) {
    Recording recording = Probe.of(media);
    if (!recording.hasSound()) {
      throw new UnusableRecording(media.getFileName() + " has no sound.");
    }
    List<String> command = new ArrayList<>(List.of("ffmpeg", "-nostdin", "-v", "error"));
    command.addAll(Input.safety());
    command.addAll(
        List.of("-i", Input.argument(media), "-map", "0:a:0", "-f", "f32le", "-ac", "2", "-ar", "48000", "pipe:1"));
    try {
      Process process = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.DISCARD).start();
      Thread killer = ChildProcess.killAfter(process, LIMIT);
      try (InputStream in = process.getInputStream()) {
        byte[] block = new byte[SampleSource.SAMPLE_RATE * SampleSource.CHANNELS * Float.BYTES];
        for (int n = in.readNBytes(block, 0, block.length); n > 0; n = in.readNBytes(block, 0, block.length)) {
          float[] samples = new float[n / Float.BYTES];
          ByteBuffer.wrap(Arrays.copyOf(block, n)).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
          ear.accept(samples);
        }
      }
      int exit = process.waitFor();
      killer.interrupt();
      if (exit != 0) {
        throw new ProcessFailed("ffmpeg", exit, "the sound could not be read through");
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new ProcessFailed("ffmpeg", -1, "interrupted");
    }
  }
}
