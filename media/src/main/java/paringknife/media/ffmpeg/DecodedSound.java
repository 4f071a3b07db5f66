package paringknife.media.ffmpeg;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.SoundExcerpt;

/**
 * A recording's sound decoded to one channel of 16 kHz in a scratch file, for looking into it
 * anywhere without decoding again.
 */
public final class DecodedSound implements SoundExcerpt {
  private static final Duration LIMIT = Duration.ofHours(1);

  private final Path raw;

  private DecodedSound(Path raw) {
    this.raw = raw;
  }

  /** Decodes the first sound of a recording on the clock that ingest uses too. */
  public static DecodedSound of(Recording recording, Path raw) {
    if (!recording.hasSound()) {
      throw new UnusableRecording(
          recording.file().getFileName() + " has no sound, so it cannot be lined up.");
    }
    Ffmpeg.inBackground()
        .recording(recording.file())
        .with("-map", "0:a:0", "-af", "aresample=" + SAMPLE_RATE + ":async=1:first_pts=0")
        .with("-ac", "1", "-f", "s16le", raw.toString())
        .within(LIMIT)
        .run();
    return new DecodedSound(raw);
  }

  public LevelCurve levels() {
    LevelCurve.Collector collector = new LevelCurve.Collector(SAMPLE_RATE);
    try (InputStream in = new BufferedInputStream(Files.newInputStream(raw))) {
      byte[] block = new byte[2 * SAMPLE_RATE];
      for (int n = in.readNBytes(block, 0, block.length);
          n > 1;
          n = in.readNBytes(block, 0, block.length)) {
        ByteBuffer samples = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i + 2 <= n; i += 2) {
          collector.add(samples.getShort(i) / 32768f);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return collector.finish();
  }

  @Override
  public float[] read(long fromUs, int samples) {
    long first = Math.round(fromUs * (double) SAMPLE_RATE / 1e6);
    float[] out = new float[samples];
    try (FileChannel file = FileChannel.open(raw)) {
      long from = Math.max(0, first);
      long to = Math.min(file.size() / 2, first + samples);
      if (to > from) {
        ByteBuffer bytes =
            ByteBuffer.allocate((int) (to - from) * 2).order(ByteOrder.LITTLE_ENDIAN);
        while (bytes.hasRemaining() && file.read(bytes, from * 2 + bytes.position()) >= 0) {
          continue;
        }
        for (int i = 0; i < to - from; i++) {
          out[(int) (from - first) + i] = bytes.getShort(2 * i) / 32768f;
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out;
  }
}
