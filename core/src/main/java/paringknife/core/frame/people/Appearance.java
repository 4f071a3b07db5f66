package paringknife.core.frame.people;

import java.util.Arrays;

/**
 * What somebody looks like: which colours hair, face and clothes have, as histograms of lightness
 * and of both colour axes of CIELAB. Two are compared by the Bhattacharyya coefficient
 * (Bhattacharyya 1943; for tracking by colour Comaniciu, Ramesh and Meer 2003).
 *
 * @param roots of each bin the square root of its share, times 255; {@value #BINS} bins for each of
 *     the regions in their order
 */
public record Appearance(byte[] roots) {
  /** Where on somebody it is looked, measured in the box of their face, and how much it counts. */
  public enum Region {
    HAIR(0.05, -0.3, 0.9, 0.3, 0.25),
    FACE(0.2, 0.25, 0.6, 0.65, 0.2),
    CLOTHES(-0.4, 1.45, 1.8, 1.1, 0.55);

    private final double x;
    private final double y;
    private final double width;
    private final double height;
    private final double weight;

    Region(double x, double y, double width, double height, double weight) {
      this.x = x;
      this.y = y;
      this.width = width;
      this.height = height;
      this.weight = weight;
    }

    /** The region of a face, as shares of the picture; it can lie outside. */
    public Face of(Face face) {
      return new Face(
          face.x() + x * face.width(),
          face.y() + y * face.height(),
          width * face.width(),
          height * face.height(),
          0);
    }
  }

  private static final int LIGHTNESSES = 5;
  private static final int COLOURS = 7;
  private static final double COLOUR_STEP = 16;
  private static final double LIGHTNESS_STEP = 255.0 / (LIGHTNESSES - 1);

  /** Bins of a region. */
  static final int BINS = LIGHTNESSES + COLOURS * COLOURS;

  /** Half of what is known of a region is its lightness, half its colour. */
  private static final double HALF = 0.5;

  private static final int FULL = 255;

  /**
   * @throws IllegalArgumentException when it is not of {@value #BINS} bins for each region
   */
  public Appearance {
    if (roots.length != BINS * Region.values().length) {
      throw new IllegalArgumentException("This is no appearance.");
    }
  }

  /** Counts the colours of the regions; a value falls into the bins beside it by its nearness. */
  public static final class Counted {
    private final double[] counts = new double[BINS * Region.values().length];

    /**
     * Counts a pixel.
     *
     * @param lightness 0 to 255
     * @param a from green to red, 128 for neither
     * @param b from blue to yellow, 128 for neither
     */
    public void add(Region region, int lightness, int a, int b) {
      int from = region.ordinal() * BINS;
      double light = lightness / LIGHTNESS_STEP;
      int low = Math.min(LIGHTNESSES - 2, (int) light);
      counts[from + low] += HALF * (1 - (light - low));
      counts[from + low + 1] += HALF * (light - low);
      double across = onAxis(a);
      double down = onAxis(b);
      int left = Math.min(COLOURS - 2, (int) across);
      int top = Math.min(COLOURS - 2, (int) down);
      for (int i = 0; i < 2; i++) {
        for (int j = 0; j < 2; j++) {
          double near = (1 - Math.abs(across - left - i)) * (1 - Math.abs(down - top - j));
          counts[from + LIGHTNESSES + (top + j) * COLOURS + left + i] += HALF * near;
        }
      }
    }

    private static double onAxis(int value) {
      return Math.max(0, Math.min(COLOURS - 1, (value - 128) / COLOUR_STEP + COLOURS / 2));
    }

    /** What was counted; a region of which nothing was seen is like nothing. */
    public Appearance finish() {
      return of(counts);
    }
  }

  private static Appearance of(double[] counts) {
    byte[] roots = new byte[counts.length];
    for (Region region : Region.values()) {
      int from = region.ordinal() * BINS;
      double sum = Arrays.stream(counts, from, from + BINS).sum();
      for (int bin = from; sum > 0 && bin < from + BINS; bin++) {
        roots[bin] = (byte) Math.round(FULL * Math.sqrt(counts[bin] / sum));
      }
    }
    return new Appearance(roots);
  }

  /** The mean of several. */
  static Appearance mean(Iterable<Appearance> several) {
    double[] shares = new double[BINS * Region.values().length];
    for (Appearance one : several) {
      for (int bin = 0; bin < shares.length; bin++) {
        shares[bin] += one.root(bin) * one.root(bin);
      }
    }
    return of(shares);
  }

  private double root(int bin) {
    return (roots[bin] & FULL) / (double) FULL;
  }

  /** How alike two are: 1 when the same; of the regions that are seen of both. */
  double likeness(Appearance other) {
    double like = 0;
    double weights = 0;
    for (Region region : Region.values()) {
      int from = region.ordinal() * BINS;
      double product = 0;
      double here = 0;
      double there = 0;
      for (int bin = from; bin < from + BINS; bin++) {
        product += root(bin) * other.root(bin);
        here += root(bin) * root(bin);
        there += other.root(bin) * other.root(bin);
      }
      if (here > 0 && there > 0) {
        like += region.weight * product / Math.sqrt(here * there);
        weights += region.weight;
      }
    }
    return weights == 0 ? 0 : like / weights;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Appearance a && Arrays.equals(roots, a.roots);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(roots);
  }
}
