package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;

/**
 * Integrated loudness by ITU-R BS.1770-4: K-weighting, 400 ms blocks overlapping by 75 %, absolute
 * gate at -70 LUFS and relative gate 10 LU below. The filter coefficients are those printed in
 * BS.1770-4, tables 1 and 2, for 48 kHz.
 */
public final class LoudnessMeter {
  /** What an all-silent sound measures. */
  public static final double SILENCE_LUFS = -70;

  private static final int STEP = 4_800;

  private final int channels;
  private final Biquad[] shelf;
  private final Biquad[] highPass;
  private final List<Double> steps = new ArrayList<>();
  private double stepEnergy;
  private int stepFilled;

  public LoudnessMeter(int channels) {
    this.channels = channels;
    this.shelf = new Biquad[channels];
    this.highPass = new Biquad[channels];
    for (int c = 0; c < channels; c++) {
      shelf[c] =
          new Biquad(
              1.53512485958697,
              -2.69169618940638,
              1.19839281085285,
              -1.69065929318241,
              0.73248077421585);
      highPass[c] = new Biquad(1.0, -2.0, 1.0, -1.99004745483398, 0.99007225036621);
    }
  }

  /** Takes interleaved samples at 48 kHz; left and right (and mono) weigh 1. */
  public void add(float[] interleaved) {
    for (int i = 0; i + channels <= interleaved.length; i += channels) {
      for (int c = 0; c < channels; c++) {
        double y = highPass[c].filter(shelf[c].filter(interleaved[i + c]));
        stepEnergy += y * y;
      }
      if (++stepFilled == STEP) {
        steps.add(stepEnergy / STEP);
        stepEnergy = 0;
        stepFilled = 0;
      }
    }
  }

  /** Integrated loudness in LUFS of all that was added; -70 when nothing passes the gates. */
  public double integratedLufs() {
    List<Double> blocks = new ArrayList<>();
    for (int i = 0; i + 4 <= steps.size(); i++) {
      blocks.add((steps.get(i) + steps.get(i + 1) + steps.get(i + 2) + steps.get(i + 3)) / 4);
    }
    double absolute = energy(-70);
    double ungated = mean(blocks, absolute);
    if (ungated == 0) {
      return SILENCE_LUFS;
    }
    double relative = energy(lufs(ungated) - 10);
    return lufs(mean(blocks, Math.max(absolute, relative)));
  }

  private static double mean(List<Double> blocks, double gate) {
    return blocks.stream()
        .mapToDouble(Double::doubleValue)
        .filter(e -> e > gate)
        .average()
        .orElse(0);
  }

  private static double lufs(double energy) {
    return -0.691 + 10 * Math.log10(energy);
  }

  private static double energy(double lufs) {
    return Math.pow(10, (lufs + 0.691) / 10);
  }
}
