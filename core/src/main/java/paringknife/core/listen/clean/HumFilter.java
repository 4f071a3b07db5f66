package paringknife.core.listen.clean;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.listen.Biquad;

/**
 * Takes out rumble, by a fourth-order Butterworth high-pass at {@value #RUMBLE_HZ} Hz, and the
 * mains hum that was found, by a narrow notch at each of its harmonics.
 */
final class HumFilter {
  static final double RUMBLE_HZ = 75;
  private static final double NARROW = 25;

  private HumFilter() {}

  static void apply(float[] channel, MainsHum hum, double rate) {
    List<Biquad> filters = new ArrayList<>();
    filters.add(Biquad.highPass(RUMBLE_HZ, 0.5412, rate));
    filters.add(Biquad.highPass(RUMBLE_HZ, 1.3066, rate));
    hum.hertz().forEach(hertz -> filters.add(Biquad.notch(hertz, NARROW, rate)));
    for (int i = 0; i < channel.length; i++) {
      double x = channel[i];
      for (Biquad filter : filters) {
        x = filter.filter(x);
      }
      channel[i] = (float) x;
    }
  }
}
