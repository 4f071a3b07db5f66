package paringknife.media.ffmpeg;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import paringknife.core.listen.SampleSource;

/**
 * Sound as ffmpeg takes it raw: 32-bit floating point, little-endian, interleaved stereo, 48 kHz.
 * Written and read a few seconds at a time.
 */
final class PcmFile implements SampleSource {
  private static final Duration LIMIT = Duration.ofMinutes(20);
  private static final int BLOCK = 5 * SAMPLE_RATE;
  private static final int BYTES = CHANNELS * Float.BYTES;

  private final Path file;

  PcmFile(Path file) {
    this.file = file;
  }

  /** Writes the first {@code moments} of a sound. */
  static PcmFile write(SampleSource source, long moments, Path file) throws IOException {
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      for (long at = 0; at < moments; at += BLOCK) {
        float[] block = source.read(at, (int) Math.min(BLOCK, moments - at));
        ByteBuffer bytes =
            ByteBuffer.allocate(block.length * Float.BYTES).order(ByteOrder.LITTLE_ENDIAN);
        bytes.asFloatBuffer().put(block);
        out.write(bytes.array());
      }
    }
    return new PcmFile(file);
  }

  long moments() throws IOException {
    return Files.size(file) / BYTES;
  }

  @Override
  public float[] read(long from, int frames) {
    float[] out = new float[frames * CHANNELS];
    try (FileChannel channel = FileChannel.open(file)) {
      long first = Math.max(0, from);
      long last = Math.min(channel.size() / BYTES, from + frames);
      if (last <= first) {
        return out;
      }
      ByteBuffer bytes =
          ByteBuffer.allocate((int) (last - first) * BYTES).order(ByteOrder.LITTLE_ENDIAN);
      while (bytes.hasRemaining() && channel.read(bytes, first * BYTES + bytes.position()) >= 0) {
        continue;
      }
      bytes.flip().order(ByteOrder.LITTLE_ENDIAN);
      bytes.asFloatBuffer().get(out, (int) (first - from) * CHANNELS, bytes.limit() / Float.BYTES);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out;
  }

  /** The same sound faster at its own pitch, by ffmpeg's {@code rubberband}. */
  PcmFile faster(double speed, Path after) {
    String stretch = "rubberband=tempo=%.6f:transients=smooth:pitchq=quality";
    Ffmpeg.inBackground()
        .ownSound(file.toString())
        .with("-af", String.format(Locale.ROOT, stretch, speed))
        .with("-f", "f32le", "-ar", "48000", "-ac", "2", after.toString())
        .within(LIMIT)
        .run();
    return new PcmFile(after);
  }
}
