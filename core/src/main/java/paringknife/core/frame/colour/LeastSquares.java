package paringknife.core.frame.colour;

/** Fits a sum of a few values, each times something, to what it should come to. */
final class LeastSquares {
  /** Holds what too few different values would leave open near to what it is held to. */
  private static final double HELD = 1e-5;

  /** What a factor comes to at most, of colours that nobody films. */
  private static final double MOST = ColourMap.MOST;

  private final double[] heldTo;
  private final double[][] normal;
  private final double[] right;
  private int count;

  /**
   * @param heldTo the factors where nothing tells otherwise
   */
  LeastSquares(double... heldTo) {
    this.heldTo = heldTo;
    this.normal = new double[heldTo.length][heldTo.length];
    this.right = new double[heldTo.length];
  }

  void add(double wanted, double... values) {
    for (int i = 0; i < values.length; i++) {
      for (int j = 0; j < values.length; j++) {
        normal[i][j] += values[i] * values[j];
      }
      right[i] += values[i] * wanted;
    }
    count++;
  }

  /** The factors, by Gauss-Jordan elimination of a matrix that is positive definite. */
  double[] solution() {
    int size = heldTo.length;
    for (int i = 0; i < size; i++) {
      normal[i][i] += HELD * count;
      right[i] += HELD * count * heldTo[i];
    }
    for (int pivot = 0; pivot < size; pivot++) {
      for (int row = 0; row < size; row++) {
        double share = normal[row][pivot] / normal[pivot][pivot];
        if (row == pivot) {
          continue;
        }
        for (int j = 0; j < size; j++) {
          normal[row][j] -= share * normal[pivot][j];
        }
        right[row] -= share * right[pivot];
      }
    }
    double[] factors = new double[size];
    for (int i = 0; i < size; i++) {
      double factor = Math.max(-MOST, Math.min(MOST, right[i] / normal[i][i]));
      factors[i] = Math.round(factor * 1e5) / 1e5;
    }
    return factors;
  }
}
