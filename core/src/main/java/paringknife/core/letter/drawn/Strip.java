package paringknife.core.letter.drawn;

import java.util.ArrayList;
import java.util.List;

/**
 * One of the strips in which letters are drawn whose colour changes on the way down; libass draws
 * an event in one colour.
 */
record Strip(int number) {
  static final int COUNT = 14;

  static List<Strip> all() {
    List<Strip> all = new ArrayList<>();
    for (int i = 0; i < COUNT; i++) {
      all.add(new Strip(i));
    }
    return all;
  }

  /** How far down its middle lies, from the top of capitals (0) to the baseline (1). */
  double middle() {
    return (number + 0.5) / COUNT;
  }

  boolean isFirst() {
    return number == 0;
  }

  boolean isLast() {
    return number == COUNT - 1;
  }

  double top() {
    return number / (double) COUNT;
  }

  double bottom() {
    return (number + 1.0) / COUNT;
  }
}
