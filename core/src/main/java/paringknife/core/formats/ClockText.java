package paringknife.core.formats;

import java.util.Locale;

/** Hours, minutes, seconds and milliseconds as subtitle files write them. */
final class ClockText {
  private ClockText() {}

  static String of(long us, char point) {
    long ms = (us + 500) / 1_000;
    return String.format(
        Locale.ROOT,
        "%02d:%02d:%02d%c%03d",
        ms / 3_600_000,
        ms / 60_000 % 60,
        ms / 1_000 % 60,
        point,
        ms % 1_000);
  }
}
