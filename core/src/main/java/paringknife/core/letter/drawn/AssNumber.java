package paringknife.core.letter.drawn;

/** Numbers as ASS has them: a point, one decimal, whatever the locale. */
final class AssNumber {
  private AssNumber() {}

  static String tenths(double value) {
    long tenths = Math.round(value * 10);
    String sign = tenths < 0 ? "-" : "";
    long size = Math.abs(tenths);
    return sign + size / 10 + '.' + size % 10;
  }

  /** Two digits. */
  static String padded(long value) {
    return value < 10 ? "0" + value : Long.toString(value);
  }
}
