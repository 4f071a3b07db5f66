package paringknife.core.pick;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.time.Span;

/**
 * Chooses at most a given number of non-overlapping candidates with the highest total score:
 * weighted interval scheduling (Kleinberg and Tardos, Algorithm Design, 2005, section 6.1), with a
 * limit on the count.
 */
public final class BestSet {
  /** A stretch with a worth. */
  public record Candidate(Span span, double score) {}

  private BestSet() {}

  /** Indexes of the chosen candidates, in order of time; those with no positive score never are. */
  public static List<Integer> choose(List<Candidate> candidates, int most) {
    List<Integer> order = new ArrayList<>();
    for (int i = 0; i < candidates.size(); i++) {
      if (candidates.get(i).score() > 0) {
        order.add(i);
      }
    }
    order.sort(
        Comparator.comparingLong((Integer i) -> candidates.get(i).span().endUs())
            .thenComparing(i -> i));
    int n = order.size();
    long[] ends = order.stream().mapToLong(i -> candidates.get(i).span().endUs()).toArray();
    double[][] best = new double[most + 1][n + 1];
    boolean[][] taken = new boolean[most + 1][n + 1];
    int[] compatible = new int[n + 1];
    for (int j = 1; j <= n; j++) {
      compatible[j] = countEndingBy(ends, candidates.get(order.get(j - 1)).span().startUs(), j - 1);
    }
    for (int k = 1; k <= most; k++) {
      for (int j = 1; j <= n; j++) {
        double with = candidates.get(order.get(j - 1)).score() + best[k - 1][compatible[j]];
        taken[k][j] = with > best[k][j - 1];
        best[k][j] = Math.max(with, best[k][j - 1]);
      }
    }
    List<Integer> chosen = new ArrayList<>();
    int k = most;
    int j = n;
    while (k > 0 && j > 0) {
      if (taken[k][j]) {
        chosen.add(0, order.get(j - 1));
        j = compatible[j];
        k--;
      } else {
        j--;
      }
    }
    return chosen;
  }

  private static int countEndingBy(long[] ends, long us, int limit) {
    int low = 0;
    int high = limit;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (ends[middle] <= us) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
