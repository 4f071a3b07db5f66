package paringknife.core.time;

/**
 * An exact frame rate, {@code numerator / denominator} frames a second (30000/1001 and the like).
 * Frame {@code n} is shown from {@code startUs(n)} until {@code startUs(n + 1)}.
 */
public record FrameRate(int numerator, int denominator) {
  private static final long MICROS = 1_000_000L;

  public FrameRate {
    if (numerator <= 0 || denominator <= 0) {
      throw new IllegalArgumentException(
          "frame rate must be positive: " + numerator + "/" + denominator);
    }
  }

  /** Reads {@code 25}, {@code 25/1} or {@code 30000/1001}. */
  public static FrameRate parse(String text) {
    String[] parts = text.trim().split("/");
    return new FrameRate(
        Integer.parseInt(parts[0]), parts.length > 1 ? Integer.parseInt(parts[1]) : 1);
  }

  public double perSecond() {
    return numerator / (double) denominator;
  }

  /** The time at which a frame begins, rounded to the microsecond; never accumulates error. */
  public long startUs(long frame) {
    return Math.floorDiv(frame * MICROS * denominator + numerator / 2, numerator);
  }

  /** The frame whose start is nearest to a time. */
  public long nearestFrame(long us) {
    return Math.floorDiv(us * numerator + MICROS * denominator / 2, MICROS * denominator);
  }

  /** The frame rate as {@code num/den}, the form ffmpeg takes. */
  @Override
  public String toString() {
    return numerator + "/" + denominator;
  }
}
