package paringknife.core.letter.style;

import java.math.BigDecimal;

/** Refuses values that no lettering can have. */
final class Bounds {
  private Bounds() {}

  static void check(double value, double least, double most, String name) {
    if (!(value >= least && value <= most)) {
      throw new IllegalArgumentException(
          name + " is from " + plain(least) + " to " + plain(most) + ".");
    }
  }

  private static String plain(double value) {
    return new BigDecimal(Double.toString(value)).stripTrailingZeros().toPlainString();
  }
}
