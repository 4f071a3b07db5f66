package paringknife.core.listen.clean;

import java.util.ArrayList;
import java.util.List;

/**
 * The hum of the mains in a recording: its harmonics that stand out of the noise around them.
 *
 * @param hertz frequencies to take out, none when there is no hum
 */
record MainsHum(List<Double> hertz) {
  private static final int HARMONICS = 12;
  private static final double STANDS_OUT = 8;

  public MainsHum {
    hertz = List.copyOf(hertz);
  }

  /**
   * Listens for 50 and 60 Hz and their multiples in a quiet stretch (Goertzel 1958: the power at
   * one frequency), and takes the mains that more harmonics speak for.
   *
   * @param quiet one channel of a stretch in which nobody speaks, half a second or longer to tell
   *     the two apart
   */
  public static MainsHum in(float[] quiet, double rate) {
    List<Double> fifty = standingOut(quiet, 50, rate);
    List<Double> sixty = standingOut(quiet, 60, rate);
    return new MainsHum(fifty.size() >= sixty.size() ? fifty : sixty);
  }

  private static List<Double> standingOut(float[] quiet, double mains, double rate) {
    List<Double> found = new ArrayList<>();
    if (quiet.length < rate / 5) {
      return found;
    }
    double aside = Math.max(7, 2.5 * rate / quiet.length);
    for (int k = 1; k <= HARMONICS; k++) {
      double at = power(quiet, k * mains, rate);
      double around =
          (power(quiet, k * mains - aside, rate) + power(quiet, k * mains + aside, rate)) / 2;
      if (at > STANDS_OUT * around && at > 1e-14) {
        found.add(k * mains);
      }
    }
    return found;
  }

  private static double power(float[] sound, double hertz, double rate) {
    double coefficient = 2 * Math.cos(2 * Math.PI * hertz / rate);
    double before = 0;
    double last = 0;
    for (int i = 0; i < sound.length; i++) {
      double window = Math.sin(Math.PI * (i + 0.5) / sound.length);
      double now = window * window * sound[i] + coefficient * last - before;
      before = last;
      last = now;
    }
    return (last * last + before * before - coefficient * last * before)
        / ((double) sound.length * sound.length);
  }
}
