package paringknife.core.listen;

/** A second-order filter section, direct form II transposed. */
final class Biquad {
  private final double b0;
  private final double b1;
  private final double b2;
  private final double a1;
  private final double a2;
  private double s1;
  private double s2;

  Biquad(double b0, double b1, double b2, double a1, double a2) {
    this.b0 = b0;
    this.b1 = b1;
    this.b2 = b2;
    this.a1 = a1;
    this.a2 = a2;
  }

  double filter(double x) {
    double y = b0 * x + s1;
    s1 = b1 * x - a1 * y + s2;
    s2 = b2 * x - a2 * y;
    return y;
  }
}
