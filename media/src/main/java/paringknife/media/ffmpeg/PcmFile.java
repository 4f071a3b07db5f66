package paringknife.media.ffmpeg;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import paringknife.media.process.ChildProcess;

/** Sound as ffmpeg takes it raw: 32-bit floating point, little-endian, interleaved stereo, 48 kHz. */
final class PcmFile {
  private static final Duration LIMIT = Duration.ofMinutes(20);

  private PcmFile() {}

  static void write(float[] sound, Path file) throws IOException {
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      ByteBuffer buffer = ByteBuffer.allocate(1 << 16).order(ByteOrder.LITTLE_ENDIAN);
      for (int at = 0; at < sound.length; ) {
        buffer.clear();
        while (at < sound.length && buffer.remaining() >= 4) {
          buffer.putFloat(sound[at++]);
        }
        out.write(buffer.array(), 0, buffer.position());
      }
    }
  }

  static float[] read(Path file) throws IOException {
    byte[] bytes = Files.readAllBytes(file);
    float[] sound = new float[bytes.length / Float.BYTES];
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(sound);
    return sound;
  }

  /** The same sound faster at its own pitch, by ffmpeg's {@code rubberband}. */
  static float[] faster(float[] sound, double speed, Path before, Path after) throws IOException {
    write(sound, before);
    ChildProcess.run(
        List.of(
            "ffmpeg", "-nostdin", "-y", "-v", "error", "-f", "f32le", "-ar", "48000", "-ac", "2", "-i", before.toString(),
            "-af", String.format(Locale.ROOT, "rubberband=tempo=%.6f:transients=smooth:pitchq=quality", speed),
            "-f", "f32le", "-ar", "48000", "-ac", "2", after.toString()),
        null,
        LIMIT);
    return read(after);
  }
}
