package paringknife.core.frame.colour;

/** Luma and the differences of blue and red from it (Recommendation ITU-R BT.709). */
final class Luma {
  private static final double RED = 0.2126;
  private static final double GREEN = 0.7152;
  private static final double BLUE = 0.0722;
  private static final double BLUE_DIFFERENCE = 1.8556;
  private static final double RED_DIFFERENCE = 1.5748;

  private Luma() {}

  /** Luma from 0 to 1, the differences from -0.5 to 0.5, of red, green and blue from 0 to 1. */
  static double[] of(double[] rgb) {
    double luma = RED * rgb[0] + GREEN * rgb[1] + BLUE * rgb[2];
    return new double[] {luma, (rgb[2] - luma) / BLUE_DIFFERENCE, (rgb[0] - luma) / RED_DIFFERENCE};
  }

  static double[] toRgb(double[] luma) {
    double red = luma[0] + RED_DIFFERENCE * luma[2];
    double blue = luma[0] + BLUE_DIFFERENCE * luma[1];
    return new double[] {red, (luma[0] - RED * red - BLUE * blue) / GREEN, blue};
  }
}
