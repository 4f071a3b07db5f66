package paringknife.core.frame.colour;

import java.util.Arrays;

/**
 * Proposes a look for what is seen: its darkest and brightest parts come near to the ends of the
 * range (contrast stretching between two percentiles), and what is nearly grey becomes grey (the
 * grey-world assumption; G. Buchsbaum, "A spatial processor model for object colour perception",
 * Journal of the Franklin Institute 310, 1980).
 */
public final class EvenedLook {
  private static final double DARKEST = 0.02;
  private static final double BRIGHTEST = 0.98;
  private static final double DARK = 0.06;
  private static final double BRIGHT = 0.92;
  private static final double LEAST_CONTRAST = 0.8;
  private static final double MOST_CONTRAST = 1.5;
  private static final double MOST_BRIGHTER = 0.2;
  private static final double MOST_WARMER = 0.06;

  /** Colour differences, as shares of their range, up to which something may be grey. */
  private static final double NEARLY_GREY = 0.12;

  private EvenedLook() {}

  /** Mirrored or not, as it was. */
  public static Look of(SeenColours seen, boolean mirrored) {
    int count = seen.pixels().size();
    double[] luma = new double[count];
    double bluer = 0;
    double redder = 0;
    int grey = 0;
    for (int i = 0; i < count; i++) {
      double[] colour = Luma.of(SeenColours.rgb(seen.pixels().get(i)));
      luma[i] = colour[0];
      if (Math.hypot(colour[1], colour[2]) < NEARLY_GREY) {
        bluer += colour[1];
        redder += colour[2];
        grey++;
      }
    }
    Arrays.sort(luma);
    double dark = luma[(int) (DARKEST * (count - 1))];
    double bright = luma[(int) (BRIGHTEST * (count - 1))];
    double contrast =
        within(LEAST_CONTRAST, MOST_CONTRAST, (BRIGHT - DARK) / Math.max(0.05, bright - dark));
    double middle = (BRIGHT + DARK) / 2;
    double brightness = middle - 0.5 - contrast * ((bright + dark) / 2 - 0.5);
    double warmth = grey == 0 ? 0 : (bluer - redder) / grey / 2;
    return new Look(
        rounded(within(-MOST_BRIGHTER, MOST_BRIGHTER, brightness)),
        rounded(contrast),
        1,
        rounded(within(-MOST_WARMER, MOST_WARMER, warmth)),
        mirrored);
  }

  private static double within(double least, double most, double value) {
    return Math.min(most, Math.max(least, value));
  }

  private static double rounded(double value) {
    return Math.round(value * 1000) / 1000.0;
  }
}
