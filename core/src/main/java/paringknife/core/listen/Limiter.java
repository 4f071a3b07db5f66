package paringknife.core.listen;

/**
 * Holds a sound's true peak under a ceiling: the gain that each moment needs, held over {@value
 * #LOOK} moments (2 ms) to both sides and smoothed over as many, so gain moves before the peak
 * arrives and never clicks. Sound below the ceiling passes unchanged.
 */
public final class Limiter {
  private static final int LOOK = 96;

  private Limiter() {}

  /** Changes the samples in place. */
  public static void limit(float[] interleaved, int channels, double ceilingDbtp) {
    double ceiling = Math.pow(10, ceilingDbtp / 20);
    int moments = interleaved.length / channels;
    float[] need = new float[moments];
    boolean any = false;
    for (int i = 0; i < moments; i++) {
      double peak = 0;
      for (int c = 0; c < channels; c++) {
        if (Math.abs(interleaved[i * channels + c]) > 0.4 * ceiling) {
          peak = Math.max(peak, TruePeakMeter.peakAt(interleaved, channels, c, i));
        }
      }
      need[i] = peak > ceiling ? (float) (ceiling / peak) : 1f;
      any |= peak > ceiling;
    }
    if (!any) {
      return;
    }
    float[] gain = smoothed(held(need));
    for (int i = 0; i < moments; i++) {
      for (int c = 0; c < channels; c++) {
        interleaved[i * channels + c] *= gain[i];
      }
    }
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
