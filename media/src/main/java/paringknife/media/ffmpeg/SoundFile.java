package paringknife.media.ffmpeg;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import paringknife.core.listen.BlockwiseSound;
import paringknife.core.listen.SampleSource;

/** An episode's sound, decoded where it is read, never more than a minute of it in memory. */
public final class SoundFile {
  private static final int BLOCK_SECONDS = 20;
  private static final int BLOCKS_KEPT = 3;

  private SoundFile() {}

  /** What lies before the start or after the end of the file is silence. */
  public static SampleSource of(Path sound) {
    return new BlockwiseSound(
        BLOCK_SECONDS, BLOCKS_KEPT, (from, frames) -> decode(sound, from, frames));
  }

  private static float[] decode(Path sound, long from, int frames) {
    byte[] bytes =
        Ffmpeg.now()
            .recording(
                sound,
                "-ss",
                Long.toString(from / SampleSource.SAMPLE_RATE),
                "-t",
                Integer.toString(frames / SampleSource.SAMPLE_RATE))
            .with("-f", "f32le", "-ac", "2", "-ar", "48000", "pipe:1")
            .within(Duration.ofMinutes(5))
            .run();
    float[] samples = new float[bytes.length / Float.BYTES];
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
    return samples;
  }
}
