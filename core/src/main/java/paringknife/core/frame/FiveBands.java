package paringknife.core.frame;

/**
 * A symmetric positive matrix with two bands on either side of its diagonal, and its factors L, D
 * and L transposed (Golub and Van Loan, "Matrix Computations", section 4.3), each step of which is
 * linear in its size. What is set in the bands is gone once they are factored.
 *
 * @param near beside the diagonal
 * @param far two beside it
 */
record FiveBands(double[] diagonal, double[] near, double[] far) {
  private static final double LEAST_PIVOT = 1e-12;

  FiveBands(int size) {
    this(new double[size], new double[size], new double[size]);
  }

  /** Puts its factors in its place: one over D, and the two bands of L. */
  void factor() {
    int n = diagonal.length;
    for (int i = 0; i < n; i++) {
      double per = 1 / Math.max(diagonal[i], LEAST_PIVOT);
      double one = near[i] * per;
      double two = far[i] * per;
      if (i + 1 < n) {
        diagonal[i + 1] -= one * near[i];
        near[i + 1] -= one * far[i];
      }
      if (i + 2 < n) {
        diagonal[i + 2] -= two * far[i];
      }
      diagonal[i] = per;
      near[i] = one;
      far[i] = two;
    }
  }

  /** Solves for a right side, in its place; after {@link #factor}. */
  void substitute(double[] right) {
    int n = right.length;
    for (int i = 0; i < n; i++) {
      if (i + 1 < n) {
        right[i + 1] -= near[i] * right[i];
      }
      if (i + 2 < n) {
        right[i + 2] -= far[i] * right[i];
      }
    }
    for (int i = n - 1; i >= 0; i--) {
      double value = right[i] * diagonal[i];
      if (i + 1 < n) {
        value -= near[i] * right[i + 1];
      }
      if (i + 2 < n) {
        value -= far[i] * right[i + 2];
      }
      right[i] = value;
    }
  }
}
