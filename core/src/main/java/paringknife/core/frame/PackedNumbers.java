package paringknife.core.frame;

import java.util.Arrays;

/** Numbers in a row that grows. */
final class PackedNumbers {
  private double[] numbers = new double[256];
  private int count;

  void add(double... more) {
    if (count + more.length > numbers.length) {
      numbers = Arrays.copyOf(numbers, 2 * (count + more.length));
    }
    System.arraycopy(more, 0, numbers, count, more.length);
    count += more.length;
  }

  double[] all() {
    return Arrays.copyOf(numbers, count);
  }
}
