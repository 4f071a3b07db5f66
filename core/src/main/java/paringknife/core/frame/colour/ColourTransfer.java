package paringknife.core.frame.colour;

/**
 * Makes what one camera sees look like what another sees: means and spreads of the one become those
 * of the other, coordinate by coordinate in a perceptual space (E. Reinhard, M. Ashikhmin, B. Gooch
 * and P. Shirley, "Color Transfer between Images", IEEE Computer Graphics and Applications 21(5),
 * 2001; in CIELAB here). What comes of it is laid down as the {@link ColourMap} nearest to it over
 * the colours that the camera does see, by least squares, so that plate and file do the very same.
 */
final class ColourTransfer {
  /** A spread is made at most so many times larger or smaller. */
  private static final double MOST_SPREAD = 2;

  private ColourTransfer() {}

  static ColourMap between(SeenColours from, SeenColours to) {
    SeenColours.Spread was = from.spread();
    SeenColours.Spread is = to.spread();
    LeastSquares luma = new LeastSquares(1, 0);
    LeastSquares blue = new LeastSquares(1, 0, 0);
    LeastSquares red = new LeastSquares(1, 0, 0);
    for (int pixel : from.pixels()) {
      double[] rgb = SeenColours.rgb(pixel);
      double[] lab = CieLab.of(rgb);
      for (int i = 0; i < 3; i++) {
        lab[i] = is.mean()[i] + (lab[i] - was.mean()[i]) * wider(was, is, i);
      }
      double[] seen = Luma.of(rgb);
      double[] wanted = Luma.of(CieLab.toRgb(lab));
      luma.add(wanted[0], seen[0], 1);
      blue.add(wanted[1], seen[1], seen[0], 1);
      red.add(wanted[2], seen[2], seen[0], 1);
    }
    double[] y = luma.solution();
    double[] b = blue.solution();
    double[] r = red.solution();
    return new ColourMap(y[0], y[1], b[0], b[1], b[2], r[0], r[1], r[2]);
  }

  private static double wider(SeenColours.Spread was, SeenColours.Spread is, int i) {
    double ratio = (is.deviation()[i] + 1e-6) / (was.deviation()[i] + 1e-6);
    return Math.min(MOST_SPREAD, Math.max(1 / MOST_SPREAD, ratio));
  }
}
