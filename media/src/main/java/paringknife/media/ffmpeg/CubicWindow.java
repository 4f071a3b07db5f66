package paringknife.media.ffmpeg;

/**
 * Draws a window of a plane of samples larger, at fractions of a sample, by cubic convolution (R.
 * Keys, "Cubic convolution interpolation for digital image processing", IEEE Transactions on
 * Acoustics, Speech and Signal Processing 29, 1981; with -0.75 as its slope). A window lies
 * straight in its plane, so it is drawn along the lines first and then across them, eight factors
 * for a sample instead of sixteen. Beyond its edges a plane goes on with its last samples.
 */
final class CubicWindow {
  private static final double SLOPE = -0.75;

  /** Factors are whole numbers, of which so many are one. */
  private static final int ONE = 1 << 11;

  /** Of what was drawn along the lines, this many bits are kept besides those of a sample. */
  private static final int KEPT_BITS = 6;

  private static final int ALONG_BITS = 11 - KEPT_BITS;
  private static final int ACROSS_BITS = 11 + KEPT_BITS;

  private final int width;
  private final int height;
  private int[] along = new int[0];
  private int[] line = new int[0];

  /**
   * @param width of the plane, samples
   * @param height likewise
   */
  CubicWindow(int width, int height) {
    this.width = width;
    this.height = height;
  }

  /**
   * Where samples come from on one axis.
   *
   * @param first the place of the first one in the plane, in samples
   * @param step from one to the next
   */
  record Axis(double first, double step) {}

  /** Of each sample on one axis, the sample below it in the plane, and the factors of four. */
  private record Factors(int[] below, int[] of) {
    static Factors on(Axis axis, int count, int limit) {
      int[] below = new int[count];
      int[] of = new int[4 * count];
      for (int i = 0; i < count; i++) {
        // Far outside, all four are the last sample.
        double place = Math.max(-3, Math.min(limit + 2, axis.first() + axis.step() * i));
        below[i] = (int) Math.floor(place);
        double beyond = place - below[i];
        of[4 * i] = whole(far(1 + beyond));
        of[4 * i + 1] = whole(near(beyond));
        of[4 * i + 2] = whole(near(1 - beyond));
        of[4 * i + 3] = ONE - of[4 * i] - of[4 * i + 1] - of[4 * i + 2];
      }
      return new Factors(below, of);
    }

    private static int whole(double factor) {
      return (int) Math.round(factor * ONE);
    }

    private static double near(double away) {
      return ((SLOPE + 2) * away - (SLOPE + 3)) * away * away + 1;
    }

    private static double far(double away) {
      return ((SLOPE * away - 5 * SLOPE) * away + 8 * SLOPE) * away - 4 * SLOPE;
    }
  }

  /**
   * Draws a window.
   *
   * @param source holds the plane from {@code at} on
   * @param place where it goes, in lines of {@code stride} samples
   */
  void draw(byte[] source, int at, Axis across, Axis down, Place place, byte[] to, int stride) {
    Factors columns = Factors.on(across, place.width(), width);
    Factors rows = Factors.on(down, place.height(), height);
    int top = within(rows.below()[0] - 1, height);
    int bottom = within(rows.below()[place.height() - 1] + 2, height);
    int wide = place.width();
    if (along.length < (bottom - top + 1) * wide) {
      along = new int[(bottom - top + 1) * wide];
    }
    if (line.length < wide) {
      line = new int[wide];
    }
    for (int y = top; y <= bottom; y++) {
      drawAlong(source, at + y * width, columns, (y - top) * wide);
    }
    for (int y = 0; y < place.height(); y++) {
      int below = rows.below()[y];
      drawAcross(
          (within(below - 1, height) - top) * wide,
          (within(below, height) - top) * wide,
          (within(below + 1, height) - top) * wide,
          (within(below + 2, height) - top) * wide,
          rows.of(),
          4 * y,
          wide);
      int out = (place.y() + y) * stride + place.x();
      for (int x = 0; x < wide; x++) {
        to[out + x] = (byte) line[x];
      }
    }
  }

  /** Where samples of a plane are drawn, in whole ones. */
  record Place(int x, int y, int width, int height) {}

  private static int within(int place, int count) {
    return Math.max(0, Math.min(count - 1, place));
  }

  private void drawAlong(byte[] source, int row, Factors columns, int out) {
    int[] below = columns.below();
    int[] of = columns.of();
    for (int x = 0; x < below.length; x++) {
      int first = below[x] - 1;
      int k = 4 * x;
      int sum;
      if (first >= 0 && first + 3 < width) {
        int from = row + first;
        sum =
            (source[from] & 255) * of[k]
                + (source[from + 1] & 255) * of[k + 1]
                + (source[from + 2] & 255) * of[k + 2]
                + (source[from + 3] & 255) * of[k + 3];
      } else {
        sum = 0;
        for (int j = 0; j < 4; j++) {
          sum += (source[row + within(first + j, width)] & 255) * of[k + j];
        }
      }
      along[out + x] = (sum + (1 << (ALONG_BITS - 1))) >> ALONG_BITS;
    }
  }

  private void drawAcross(int a, int b, int c, int d, int[] of, int k, int wide) {
    int[] from = along;
    int[] out = line;
    int first = of[k];
    int second = of[k + 1];
    int third = of[k + 2];
    int fourth = of[k + 3];
    for (int x = 0; x < wide; x++) {
      int sum =
          from[a + x] * first + from[b + x] * second + from[c + x] * third + from[d + x] * fourth;
      int sample = (sum + (1 << (ACROSS_BITS - 1))) >> ACROSS_BITS;
      out[x] = Math.max(0, Math.min(255, sample));
    }
  }
}
