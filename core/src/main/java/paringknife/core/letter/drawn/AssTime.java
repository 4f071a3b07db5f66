package paringknife.core.letter.drawn;

/** Times as ASS has them, in hundredths of a second. */
final class AssTime {
  private AssTime() {}

  static long centis(long us) {
    return (us + 5_000) / 10_000;
  }

  static String of(long us) {
    long cs = centis(us);
    return cs / 360_000
        + ":"
        + AssNumber.padded(cs / 6_000 % 60)
        + ':'
        + AssNumber.padded(cs / 100 % 60)
        + '.'
        + AssNumber.padded(cs % 100);
  }
}
