package paringknife.core.listen;

/**
 * Holds a sound's true peak under a ceiling: the gain that each moment needs, held over {@value
 * #LOOK} moments (2 ms) to both sides and smoothed over as many, so gain moves before the peak
 * arrives and never clicks. Sound below the ceiling passes unchanged. It knows a few milliseconds
 * to both sides only, so any part can be read by itself.
 */
public final class Limiter implements SampleSource {
  private static final int LOOK = 96;
  private static final int CONTEXT = 4 * LOOK;

  private final SampleSource source;
  private final float factor;
  private final double ceiling;

  /**
   * @param factor by which the sound is multiplied first
   */
  public Limiter(SampleSource source, double factor, double ceilingDbtp) {
    this.source = source;
    this.factor = (float) factor;
    this.ceiling = Math.pow(10, ceilingDbtp / 20);
  }

  @Override
  public float[] read(long from, int frames) {
    float[] sound = source.read(from - CONTEXT, frames + 2 * CONTEXT);
    for (int i = 0; i < sound.length; i++) {
      sound[i] *= factor;
    }
    int moments = sound.length / CHANNELS;
    float[] need = new float[moments];
    boolean any = false;
    for (int i = 0; i < moments; i++) {
      double peak = 0;
      for (int c = 0; c < CHANNELS; c++) {
        if (Math.abs(sound[i * CHANNELS + c]) > 0.4 * ceiling) {
          peak = Math.max(peak, TruePeakMeter.peakAt(sound, CHANNELS, c, i));
        }
      }
      need[i] = peak > ceiling ? (float) (ceiling / peak) : 1f;
      any |= peak > ceiling;
    }
    float[] out =
        java.util.Arrays.copyOfRange(sound, CONTEXT * CHANNELS, (CONTEXT + frames) * CHANNELS);
    if (any) {
      float[] gain = smoothed(held(need));
      for (int i = 0; i < out.length; i++) {
        out[i] *= gain[CONTEXT + i / CHANNELS];
      }
    }
    return out;
  }

  private static float[] held(float[] need) {
    int n = need.length;
    float[] held = new float[n];
    int[] queue = new int[n];
    int head = 0;
    int tail = 0;
    int span = 2 * LOOK;
    for (int i = 0; i < n + span; i++) {
      if (i < n) {
        while (tail > head && need[queue[tail - 1]] >= need[i]) {
          tail--;
        }
        queue[tail++] = i;
      }
      int centre = i - span;
      if (centre >= 0) {
        while (queue[head] < centre - span) {
          head++;
        }
        held[centre] = need[queue[head]];
      }
    }
    return held;
  }

  private static float[] smoothed(float[] held) {
    int n = held.length;
    float[] out = new float[n];
    double sum = 0;
    for (int k = -LOOK; k <= LOOK; k++) {
      sum += held[Math.max(0, Math.min(n - 1, k))];
    }
    for (int i = 0; i < n; i++) {
      out[i] = (float) (sum / (2 * LOOK + 1));
      sum += held[Math.min(n - 1, i + LOOK + 1)] - held[Math.max(0, i - LOOK)];
    }
    return out;
  }
}
