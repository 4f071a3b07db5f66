package paringknife.core.frame.colour;

/**
 * What is done to the picture itself, in its own luma and chroma.
 *
 * @param brightness added to luma, as a share of its range, -{@value #MOST_ADDED} to {@value
 *     #MOST_ADDED}
 * @param contrast luma's distance from its middle times this, {@value #LEAST_FACTOR} to {@value
 *     #MOST_FACTOR}
 * @param saturation chroma times this, 0 to {@value #MOST_FACTOR}
 * @param warmth taken from blue and added to red difference, as a share of its range
 * @param mirrored whether left and right change places
 */
public record Look(
    double brightness, double contrast, double saturation, double warmth, boolean mirrored) {
  private static final double MOST_ADDED = 0.5;
  private static final double LEAST_FACTOR = 0.25;
  private static final double MOST_FACTOR = 3;

  public static final Look AS_RECORDED = new Look(0, 1, 1, 0, false);

  public Look {
    boolean added = Math.abs(brightness) <= MOST_ADDED && Math.abs(warmth) <= MOST_ADDED;
    boolean times = contrast >= LEAST_FACTOR && contrast <= MOST_FACTOR;
    if (!added || !times || !(saturation >= 0 && saturation <= MOST_FACTOR)) {
      throw new IllegalArgumentException("The picture cannot be changed so much.");
    }
  }

  /** Whether luma or chroma change. */
  public boolean changesColour() {
    return brightness != 0 || contrast != 1 || saturation != 1 || warmth != 0;
  }
}
