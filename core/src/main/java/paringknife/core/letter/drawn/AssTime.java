package paringknife.core.letter.drawn;

import java.util.Locale;

/** Times as ASS has them, in hundredths of a second. */
final class AssTime {
  private AssTime() {}

  static long centis(long us) {
    return (us + 5_000) / 10_000;
  }

  static String of(long us) {
    long cs = centis(us);
    return String.format(
        Locale.ROOT, "%d:%02d:%02d.%02d", cs / 360_000, cs / 6_000 % 60, cs / 100 % 60, cs % 100);
  }
}
