package paringknife.core.listen;

/**
 * Fourier transform of a power of two of complex values, in place (Cooley and Tukey 1965,
 * decimation in time).
 */
public final class Fft {
  private final int size;
  private final double[] cos;
  private final double[] sin;

  /**
   * @throws IllegalArgumentException when the size is not a power of two
   */
  public Fft(int size) {
    if (size < 1 || Integer.bitCount(size) != 1) {
      throw new IllegalArgumentException("not a power of two: " + size);
    }
    this.size = size;
    this.cos = new double[size / 2];
    this.sin = new double[size / 2];
    for (int i = 0; i < size / 2; i++) {
      cos[i] = Math.cos(2 * Math.PI * i / size);
      sin[i] = Math.sin(2 * Math.PI * i / size);
    }
  }

  /** The smallest transform that holds {@code values} values. */
  static Fft holding(int values) {
    return new Fft(values <= 1 ? 1 : Integer.highestOneBit(values - 1) << 1);
  }

  public int size() {
    return size;
  }

  /** Values become frequencies. */
  public void forward(double[] re, double[] im) {
    transform(re, im, -1);
  }

  /** Back to what {@link #forward} was given. */
  public void inverse(double[] re, double[] im) {
    transform(re, im, 1);
    for (int i = 0; i < size; i++) {
      re[i] /= size;
      im[i] /= size;
    }
  }

  private void transform(double[] re, double[] im, int sign) {
    reorder(re, im);
    for (int length = 2; length <= size; length <<= 1) {
      int half = length / 2;
      int step = size / length;
      for (int start = 0; start < size; start += length) {
        for (int k = 0; k < half; k++) {
          double c = cos[k * step];
          double s = sign * sin[k * step];
          int a = start + k;
          int b = a + half;
          double x = re[b] * c - im[b] * s;
          double y = re[b] * s + im[b] * c;
          re[b] = re[a] - x;
          im[b] = im[a] - y;
          re[a] += x;
          im[a] += y;
        }
      }
    }
  }

  private void reorder(double[] re, double[] im) {
    for (int i = 1, j = 0; i < size; i++) {
      int bit = size >> 1;
      for (; (j & bit) != 0; bit >>= 1) {
        j ^= bit;
      }
      j ^= bit;
      if (i < j) {
        double r = re[i];
        re[i] = re[j];
        re[j] = r;
        double m = im[i];
        im[i] = im[j];
        im[j] = m;
      }
    }
  }
}
