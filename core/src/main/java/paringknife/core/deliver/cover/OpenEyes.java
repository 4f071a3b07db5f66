package paringknife.core.deliver.cover;

/**
 * How open the eyes of a face are. An iris is darker than what lies left and right of it; lids,
 * lashes and brows lie across and have the like of them beside them. That is a line feature of
 * Lienhart and Maydt, An Extended Set of Haar-like Features for Rapid Object Detection, 2002. Sizes
 * are shares of a face's box, tried on one portrait.
 */
public final class OpenEyes {
  private static final double IRIS = 0.05;
  private static final int LEAST_IRIS = 2;
  private static final double UPPER = 0.25;
  private static final double LOWER = 0.5;
  private static final double[] ACROSS = {0.2, 0.5, 0.8};

  private final int wide;
  private final int high;
  private final int iris;

  /** Sums of all that lies above and left. */
  private final long[] sums;

  private OpenEyes(byte[] picture, int width, int left, int top, int wide, int high) {
    this.wide = wide;
    this.high = high;
    this.iris = Math.max(LEAST_IRIS, (int) Math.round(IRIS * wide));
    this.sums = new long[(wide + 1) * (high + 1)];
    for (int y = 0; y < high; y++) {
      long row = 0;
      for (int x = 0; x < wide; x++) {
        row += picture[(top + y) * width + left + x] & 0xFF;
        sums[(y + 1) * (wide + 1) + x + 1] = sums[y * (wide + 1) + x + 1] + row;
      }
    }
  }

  /**
   * How much darker an iris is than what is beside it, on average of both eyes, in grey levels; 0
   * where the face is too small to tell.
   *
   * @param picture grey, row by row
   * @param width of the picture
   * @param left where the face's box begins, which lies in the picture
   */
  public static double in(byte[] picture, int width, int left, int top, int wide, int high) {
    return new OpenEyes(picture, width, left, top, wide, high).contrast();
  }

  private double contrast() {
    return (darkest(ACROSS[0], ACROSS[1]) + darkest(ACROSS[1], ACROSS[2])) / 2;
  }

  private double darkest(double from, double to) {
    double most = 0;
    for (int y = (int) (UPPER * high); y + iris <= LOWER * high; y++) {
      int begin = Math.max(iris, (int) (from * wide));
      int end = Math.min((int) (to * wide), wide - iris);
      for (int x = begin; x + iris <= end; x++) {
        long beside = Math.min(sum(x - iris, y), sum(x + iris, y));
        most = Math.max(most, beside - sum(x, y));
      }
    }
    return most / (iris * iris);
  }

  private long sum(int x, int y) {
    int row = wide + 1;
    int upper = y * row + x;
    int lower = (y + iris) * row + x;
    return sums[lower + iris] - sums[lower] - sums[upper + iris] + sums[upper];
  }
}
