package paringknife.demo;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/**
 * Puts a performance in front of microphones: each hears its own speaker, the others 30 dB lower,
 * the room at about -60 dBFS, and the first also the knocks.
 */
final class Microphones {
  private static final float BLEED = 0.032f;
  private static final double ROOM = 0.00035;

  private final Performance performance;
  private final List<Voice> voices;

  Microphones(Performance performance, List<Voice> voices) {
    this.performance = performance;
    this.voices = voices;
  }

  /** What the microphone of one speaker records, 16 kHz. */
  float[] of(int which) {
    int length = (int) Math.round(performance.seconds * Performance.RATE);
    float[] out = new float[length];
    for (int v = 0; v < voices.size(); v++) {
      float[] track = performance.tracks.get(voices.get(v).letter());
      float gain = v == which ? 0.8f : 0.8f * BLEED;
      for (int i = 0; i < length; i++) {
        out[i] += gain * track[i];
      }
    }
    addRoom(out, new Random(7_000 + which));
    if (which == voices.size() - 1) {
      performance.bumps.forEach(b -> addBump(out, b[0], b[1]));
    }
    return out;
  }

  /** Quiet low noise, as of a stone room. */
  private static void addRoom(float[] out, Random random) {
    double low = 0;
    for (int i = 0; i < out.length; i++) {
      double white = random.nextGaussian();
      low += 0.15 * (white - low);
      out[i] += (float) (ROOM * (0.6 * white + 1.8 * low));
    }
  }

  private static void addBump(float[] out, double from, double to) {
    int start = (int) (from * Performance.RATE);
    int end = Math.min(out.length, (int) (to * Performance.RATE));
    for (int i = start; i < end; i++) {
      double t = (i - start) / (double) Performance.RATE;
      out[i] +=
          (float)
              (0.35 * Math.exp(-t * 38) * Math.sin(2 * Math.PI * 70 * t) * Math.min(1, t * 800));
    }
  }

  /** All microphones together, as the camera records them. */
  float[] mixed() {
    List<float[]> all = new ArrayList<>();
    for (int v = 0; v < voices.size(); v++) {
      all.add(of(v));
    }
    float[] mix = new float[all.get(0).length];
    for (float[] one : all) {
      for (int i = 0; i < mix.length; i++) {
        mix[i] += one[i];
      }
    }
    return mix;
  }

  static void writeRaw(float[] sound, Path file) throws IOException {
    try (OutputStream out = Files.newOutputStream(file)) {
      ByteBuffer buffer = ByteBuffer.allocate(sound.length * 2).order(ByteOrder.LITTLE_ENDIAN);
      for (float sample : sound) {
        buffer.putShort((short) Math.round(Math.max(-1, Math.min(1, sample)) * 32767));
      }
      out.write(buffer.array());
    }
  }
}
