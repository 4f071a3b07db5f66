package paringknife.server.deliver;

import java.util.List;

/**
 * How far renderings are that one hand makes at once: their sound is joined, their pictures are
 * encoded side by side, and one file after the other is gone through, the first one last. Shares of
 * the time as they were measured with three files of half a minute beside three others, 0 to 1.
 */
final class GroupProgress {
  private static final double JOINED = 0.07;

  /** How far they are when all is encoded. */
  static final double ENCODED = 0.78;

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
   * @param share how much of the next one, 0 to 1
   */
  static double goneThrough(List<Double> all, int gone, double share) {
    double present = gone < all.size() ? all.get(gone) * share : 0;
    return ENCODED + (1 - ENCODED) * part(sum(all.subList(0, gone)) + present, sum(all));
  }

  /**
   * How far they will be once some have been gone through.
   *
   * @param now how far they are
   * @param left what there is to go through of each that is left
   * @param gone how many of these
   */
  static double once(double now, List<Double> left, int gone) {
    double encoded = Math.max(now, ENCODED);
    return encoded + (1 - encoded) * part(sum(left.subList(0, gone)), sum(left));
  }

  private static double part(double of, double all) {
    return all == 0 ? 0 : of / all;
  }

  private static double sum(List<Double> works) {
    return works.stream().mapToDouble(Double::doubleValue).sum();
  }
}
