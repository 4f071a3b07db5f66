package paringknife.server.deliver;

import java.util.List;

/**
 * How far renderings are that one hand makes at once: their sound is joined, their pictures are
 * encoded side by side, and one file after the other is gone through, the first one last. Shares of
 * the time as they were measured with three files of half a minute, 0 to 1.
 */
final class GroupProgress {
  private static final double JOINED = 0.07;
  private static final double ENCODED = 0.82;

  private GroupProgress() {}

  /** While pictures are encoded, of which a share is done. */
  static double encoding(double share) {
    return JOINED + (ENCODED - JOINED) * share;
  }

  /**
   * While files are gone through.
   *
   * @param all what there is to go through of each
   * @param gone how many of them have been gone through
   */
  static double goneThrough(List<Double> all, int gone) {
    double whole = sum(all);
    return whole == 0 ? ENCODED : ENCODED + (1 - ENCODED) * sum(all.subList(0, gone)) / whole;
  }

  private static double sum(List<Double> works) {
    return works.stream().mapToDouble(Double::doubleValue).sum();
  }
}
