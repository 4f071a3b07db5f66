package paringknife.media;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import paringknife.core.listen.SampleSource;
import paringknife.media.process.ChildProcess;

/** Sound in memory for tests: interleaved stereo at 48 kHz, decoded by ffmpeg. */
record Sound(float[] samples) implements SampleSource {
  static Sound of(Path file) {
    byte[] bytes =
        ChildProcess.run(
                List.of(
                    "ffmpeg",
                    "-nostdin",
                    "-v",
                    "error",
                    "-i",
                    file.toString(),
                    "-f",
                    "f32le",
                    "-ac",
                    "2",
                    "-ar",
                    "48000",
                    "pipe:1"),
                null,
                Duration.ofMinutes(1))
            .output();
    float[] samples = new float[bytes.length / Float.BYTES];
    ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).asFloatBuffer().get(samples);
    return new Sound(samples);
  }

  /** All of another source as long as this one. */
  Sound through(SampleSource other) {
    return new Sound(other.read(0, moments()));
  }

  int moments() {
    return samples.length / CHANNELS;
  }

  float left(int moment) {
    return moment < 0 || moment >= moments() ? 0 : samples[moment * CHANNELS];
  }

  @Override
  public float[] read(long from, int frames) {
    float[] out = new float[frames * CHANNELS];
    for (int i = 0; i < out.length; i++) {
      long at = from * CHANNELS + i;
      out[i] = at >= 0 && at < samples.length ? samples[(int) at] : 0;
    }
    return out;
  }

  /** Root mean square of the left channel between two moments, dBFS. */
  double rmsDb(int from, int to) {
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += (double) left(i) * left(i);
    }
    return 10 * Math.log10(sum / Math.max(1, to - from) + 1e-12);
  }

  /** How noisy it is where it is quiet: the tenth percentile of stretches of 10 ms, dBFS. */
  double floorDb(int from, int to) {
    int stretch = SAMPLE_RATE / 100;
    double[] levels = new double[Math.max(1, (to - from) / stretch)];
    for (int i = 0; i < levels.length; i++) {
      levels[i] = rmsDb(from + i * stretch, from + (i + 1) * stretch);
    }
    java.util.Arrays.sort(levels);
    return levels[levels.length / 10];
  }

  /** The highest difference of two neighbouring samples between two moments. */
  double highestStep(int from, int to) {
    double highest = 0;
    for (int i = from + 1; i < to; i++) {
      highest = Math.max(highest, Math.abs(left(i) - left(i - 1)));
    }
    return highest;
  }

  /**
   * Whether 10 ms from a moment on are voiced: loud enough, and alike to themselves one period of a
   * voice (80 to 400 Hz) later.
   */
  boolean isVoiced(int moment) {
    int stretch = SAMPLE_RATE / 100;
    if (rmsDb(moment, moment + stretch) < -42) {
      return false;
    }
    for (int lag = SAMPLE_RATE / 400; lag <= SAMPLE_RATE / 80; lag += 3) {
      double both = 0;
      double here = 1e-12;
      double later = 1e-12;
      for (int i = 0; i < stretch; i++) {
        both += left(moment + i) * left(moment + i + lag);
        here += left(moment + i) * left(moment + i);
        later += left(moment + i + lag) * left(moment + i + lag);
      }
      if (both / Math.sqrt(here * later) > 0.7) {
        return true;
      }
    }
    return false;
  }
}
