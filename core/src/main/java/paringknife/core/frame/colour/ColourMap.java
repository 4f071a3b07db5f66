package paringknife.core.frame.colour;

import java.util.stream.DoubleStream;

/**
 * Other luma and chroma for those of a picture, in Recommendation ITU-R BT.709 with luma from 0 to
 * 1 and chroma from -0.5 to 0.5. Luma becomes luma times something and something added; chroma
 * likewise, and goes with luma besides, which is what another white balance does.
 *
 * @param lumaTimes what luma is multiplied by
 * @param lumaAdded what is added to it then
 * @param blueTimes what the difference of blue is multiplied by
 * @param blueByLuma how much of luma, as it was, is added to the difference of blue
 * @param blueAdded what is added to the difference of blue besides
 * @param redTimes likewise for the difference of red
 * @param redByLuma likewise
 * @param redAdded likewise
 */
public record ColourMap(
    double lumaTimes,
    double lumaAdded,
    double blueTimes,
    double blueByLuma,
    double blueAdded,
    double redTimes,
    double redByLuma,
    double redAdded) {
  static final double MOST = 4;

  public static final ColourMap NONE = new ColourMap(1, 0, 1, 0, 0, 1, 0, 0);

  public ColourMap {
    DoubleStream numbers =
        DoubleStream.of(
            lumaTimes, lumaAdded, blueTimes, blueByLuma, blueAdded, redTimes, redByLuma, redAdded);
    if (!numbers.allMatch(n -> Math.abs(n) <= MOST)) {
      throw new IllegalArgumentException("Colours cannot be changed so much.");
    }
  }

  /**
   * This one, and a look after it, which is not mirrored by that.
   *
   * @throws IllegalArgumentException where both together change colours too much
   */
  ColourMap then(Look look) {
    double middle = 0.5 - 0.5 * look.contrast() + look.brightness();
    return new ColourMap(
        look.contrast() * lumaTimes,
        look.contrast() * lumaAdded + middle,
        look.saturation() * blueTimes,
        look.saturation() * blueByLuma,
        look.saturation() * blueAdded - look.warmth(),
        look.saturation() * redTimes,
        look.saturation() * redByLuma,
        look.saturation() * redAdded + look.warmth());
  }

  public boolean changesNothing() {
    return equals(NONE);
  }

  /**
   * The colour that one becomes: red, green and blue from 0 to 1, beyond that if not to be shown.
   */
  double[] of(double[] rgb) {
    double[] seen = Luma.of(rgb);
    return Luma.toRgb(
        new double[] {
          lumaTimes * seen[0] + lumaAdded,
          blueTimes * seen[1] + blueByLuma * seen[0] + blueAdded,
          redTimes * seen[2] + redByLuma * seen[0] + redAdded
        });
  }
}
