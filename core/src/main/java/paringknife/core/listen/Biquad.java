package paringknife.core.listen;

/**
 * A second-order filter section, direct form II transposed. The shapes are those of Robert
 * Bristow-Johnson's "Cookbook formulae for audio equalizer biquad filter coefficients".
 */
public final class Biquad {
  private static final double INAUDIBLE = 1e-18;

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

  /** Lets through what lies above a frequency; {@code q} of 0.7071 is a Butterworth response. */
  public static Biquad highPass(double hertz, double q, double rate) {
    double w = 2 * Math.PI * hertz / rate;
    double alpha = Math.sin(w) / (2 * q);
    double a0 = 1 + alpha;
    double edge = (1 + Math.cos(w)) / 2;
    return new Biquad(
        edge / a0, -2 * edge / a0, edge / a0, -2 * Math.cos(w) / a0, (1 - alpha) / a0);
  }

  /** Lets through what lies below a frequency; {@code q} of 0.5 falls without ringing. */
  public static Biquad lowPass(double hertz, double q, double rate) {
    double w = 2 * Math.PI * hertz / rate;
    double alpha = Math.sin(w) / (2 * q);
    double a0 = 1 + alpha;
    double edge = (1 - Math.cos(w)) / 2;
    return new Biquad(edge / a0, 2 * edge / a0, edge / a0, -2 * Math.cos(w) / a0, (1 - alpha) / a0);
  }

  /** Takes out one frequency; the higher {@code q}, the narrower. */
  public static Biquad notch(double hertz, double q, double rate) {
    double w = 2 * Math.PI * hertz / rate;
    double alpha = Math.sin(w) / (2 * q);
    double a0 = 1 + alpha;
    return new Biquad(
        1 / a0, -2 * Math.cos(w) / a0, 1 / a0, -2 * Math.cos(w) / a0, (1 - alpha) / a0);
  }

  /** The next sample. */
  public double filter(double x) {
    double y = b0 * x + s1;
    s1 = b1 * x - a1 * y + s2;
    s2 = b2 * x - a2 * y;
    // What rings on after sound ends shrinks to numbers that processors are slow with.
    if (Math.abs(s1) < INAUDIBLE && Math.abs(s2) < INAUDIBLE) {
      s1 = 0;
      s2 = 0;
    }
    return y;
  }
}
