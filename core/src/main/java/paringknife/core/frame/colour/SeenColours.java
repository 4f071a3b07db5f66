package paringknife.core.frame.colour;

import java.util.List;

/**
 * What colours a camera sees, by pixels taken from here and there.
 *
 * @param pixels red, green and blue in eight bits each, 0xRRGGBB; at least one
 */
public record SeenColours(List<Integer> pixels) {
  public SeenColours {
    pixels = List.copyOf(pixels);
    if (pixels.isEmpty()) {
      throw new IllegalArgumentException("Nothing of that camera was seen.");
    }
  }

  /** Tells what the cameras of an episode see, in their order. */
  public interface Source {
    List<SeenColours> ofCameras();
  }

  /** Mean and spread (standard deviation) of each coordinate in CIELAB. */
  record Spread(double[] mean, double[] deviation) {}

  /** Red, green and blue of a pixel, 0 to 1. */
  static double[] rgb(int pixel) {
    return new double[] {
      (pixel >> 16 & 255) / 255.0, (pixel >> 8 & 255) / 255.0, (pixel & 255) / 255.0
    };
  }

  Spread spread() {
    double[] sum = new double[3];
    double[] squares = new double[3];
    for (int pixel : pixels) {
      double[] lab = CieLab.of(rgb(pixel));
      for (int i = 0; i < 3; i++) {
        sum[i] += lab[i];
        squares[i] += lab[i] * lab[i];
      }
    }
    double[] deviation = new double[3];
    for (int i = 0; i < 3; i++) {
      sum[i] /= pixels.size();
      deviation[i] = Math.sqrt(Math.max(0, squares[i] / pixels.size() - sum[i] * sum[i]));
    }
    return new Spread(sum, deviation);
  }
}
