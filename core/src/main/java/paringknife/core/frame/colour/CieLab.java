package paringknife.core.frame.colour;

/**
 * CIELAB under D65 (ISO/CIE 11664-4) of colours in sRGB (IEC 61966-2-1). Distances in it are nearly
 * as large as they are seen.
 */
final class CieLab {
  private static final double[][] TO_XYZ = {
    {0.4124564, 0.3575761, 0.1804375},
    {0.2126729, 0.7151522, 0.0721750},
    {0.0193339, 0.1191920, 0.9503041}
  };
  private static final double[][] FROM_XYZ = {
    {3.2404542, -1.5371385, -0.4985314},
    {-0.9692660, 1.8760108, 0.0415560},
    {0.0556434, -0.2040259, 1.0572252}
  };
  private static final double[] WHITE = {0.95047, 1, 1.08883};
  private static final double EPSILON = 216 / 24389.0;
  private static final double KAPPA = 24389 / 27.0;

  private CieLab() {}

  /** Lightness 0 to 100, and the two opposites, of red, green and blue from 0 to 1. */
  static double[] of(double[] rgb) {
    double[] linear = new double[3];
    for (int i = 0; i < 3; i++) {
      linear[i] = linear(rgb[i]);
    }
    double[] xyz = times(TO_XYZ, linear);
    double x = compressed(xyz[0] / WHITE[0]);
    double y = compressed(xyz[1] / WHITE[1]);
    double z = compressed(xyz[2] / WHITE[2]);
    return new double[] {116 * y - 16, 500 * (x - y), 200 * (y - z)};
  }

  /** Red, green and blue; beyond 0 to 1 where the colour cannot be shown. */
  static double[] toRgb(double[] lab) {
    double y = (lab[0] + 16) / 116;
    double[] xyz = {
      WHITE[0] * expanded(y + lab[1] / 500),
      WHITE[1] * expanded(y),
      WHITE[2] * expanded(y - lab[2] / 200)
    };
    double[] rgb = times(FROM_XYZ, xyz);
    for (int i = 0; i < 3; i++) {
      rgb[i] = encoded(rgb[i]);
    }
    return rgb;
  }

  private static double[] times(double[][] matrix, double[] vector) {
    double[] product = new double[3];
    for (int row = 0; row < 3; row++) {
      for (int i = 0; i < 3; i++) {
        product[row] += matrix[row][i] * vector[i];
      }
    }
    return product;
  }

  private static double linear(double value) {
    return value <= 0.04045 ? value / 12.92 : Math.pow((value + 0.055) / 1.055, 2.4);
  }

  private static double encoded(double value) {
    return value <= 0.0031308 ? 12.92 * value : 1.055 * Math.pow(value, 1 / 2.4) - 0.055;
  }

  private static double compressed(double value) {
    return value > EPSILON ? Math.cbrt(value) : (KAPPA * value + 16) / 116;
  }

  private static double expanded(double value) {
    double cube = value * value * value;
    return cube > EPSILON ? cube : (116 * value - 16) / KAPPA;
  }
}
