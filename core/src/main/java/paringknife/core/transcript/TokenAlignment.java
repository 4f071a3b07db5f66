package paringknife.core.transcript;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds which tokens of one text are which of another, in order. Runs of three tokens that are
 * unique in both texts anchor long texts (the longest increasing row of anchors, as in patience
 * sorting); between anchors the cheapest row of insertions, deletions and exchanges decides (Wagner
 * and Fischer 1974), with the costs that word recognition is scored by (3, 3 and 4 as in NIST's
 * sclite, from memory), so that six exchanges do not hide three words that are the same.
 */
public final class TokenAlignment {
  private static final int ANCHOR = 3;
  private static final int LEFT_OUT = 3;
  private static final int EXCHANGED = 4;
  private static final long LARGEST_TABLE = 16_000_000;

  private final List<String> a;
  private final List<String> b;
  private final int[] matchOfA;

  private TokenAlignment(List<String> a, List<String> b) {
    this.a = a;
    this.b = b;
    this.matchOfA = new int[a.size()];
    Arrays.fill(matchOfA, -1);
  }

  /**
   * For each token of {@code a} the index of the equal token of {@code b}; -1 where there is none.
   */
  public static int[] match(List<String> a, List<String> b) {
    TokenAlignment alignment = new TokenAlignment(List.copyOf(a), List.copyOf(b));
    alignment.align(0, a.size(), 0, b.size());
    return alignment.matchOfA;
  }

  private void align(int a0, int a1, int b0, int b1) {
    while (a0 < a1 && b0 < b1 && a.get(a0).equals(b.get(b0))) {
      matchOfA[a0++] = b0++;
    }
    while (a0 < a1 && b0 < b1 && a.get(a1 - 1).equals(b.get(b1 - 1))) {
      matchOfA[--a1] = --b1;
    }
    if (a0 == a1 || b0 == b1) {
      return;
    }
    List<int[]> anchors =
        (long) (a1 - a0) * (b1 - b0) > 250_000 ? anchors(a0, a1, b0, b1) : List.of();
    if (!anchors.isEmpty()) {
      int fromA = a0;
      int fromB = b0;
      for (int[] anchor : anchors) {
        if (anchor[0] < fromA || anchor[1] < fromB) {
          continue;
        }
        align(fromA, anchor[0], fromB, anchor[1]);
        for (int k = 0; k < ANCHOR; k++) {
          matchOfA[anchor[0] + k] = anchor[1] + k;
        }
        fromA = anchor[0] + ANCHOR;
        fromB = anchor[1] + ANCHOR;
      }
      align(fromA, a1, fromB, b1);
    } else if ((long) (a1 - a0) * (b1 - b0) <= LARGEST_TABLE) {
      byTable(a0, a1, b0, b1);
    }
  }

  private List<int[]> anchors(int a0, int a1, int b0, int b1) {
    Map<String, Integer> inB = unique(b, b0, b1);
    List<int[]> pairs = new ArrayList<>();
    for (Map.Entry<String, Integer> entry : unique(a, a0, a1).entrySet()) {
      Integer at = inB.get(entry.getKey());
      if (entry.getValue() >= 0 && at != null && at >= 0) {
        pairs.add(new int[] {entry.getValue(), at});
      }
    }
    pairs.sort((x, y) -> Integer.compare(x[0], y[0]));
    return longestIncreasing(pairs);
  }

  /** Where each run of tokens is; -1 for one that comes more than once. */
  private static Map<String, Integer> unique(List<String> tokens, int from, int to) {
    Map<String, Integer> places = new HashMap<>();
    for (int i = from; i + ANCHOR <= to; i++) {
      places.merge(String.join(" ", tokens.subList(i, i + ANCHOR)), i, (x, y) -> -1);
    }
    return places;
  }

  private static List<int[]> longestIncreasing(List<int[]> pairs) {
    int[] tails = new int[pairs.size()];
    int[] before = new int[pairs.size()];
    int length = 0;
    for (int i = 0; i < pairs.size(); i++) {
      int low = 0;
      int high = length;
      while (low < high) {
        int middle = (low + high) >>> 1;
        if (pairs.get(tails[middle])[1] < pairs.get(i)[1]) {
          low = middle + 1;
        } else {
          high = middle;
        }
      }
      before[i] = low == 0 ? -1 : tails[low - 1];
      tails[low] = i;
      length = Math.max(length, low + 1);
    }
    int[][] row = new int[length][];
    int at = length == 0 ? -1 : tails[length - 1];
    for (int k = length - 1; k >= 0; k--) {
      row[k] = pairs.get(at);
      at = before[at];
    }
    return Arrays.asList(row);
  }

  private void byTable(int a0, int a1, int b0, int b1) {
    int n = a1 - a0;
    int m = b1 - b0;
    int[][] cost = new int[n + 1][m + 1];
    for (int i = n; i >= 0; i--) {
      for (int j = m; j >= 0; j--) {
        if (i == n || j == m) {
          cost[i][j] = LEFT_OUT * ((n - i) + (m - j));
        } else if (a.get(a0 + i).equals(b.get(b0 + j))) {
          cost[i][j] = cost[i + 1][j + 1];
        } else {
          cost[i][j] =
              Math.min(
                  EXCHANGED + cost[i + 1][j + 1],
                  LEFT_OUT + Math.min(cost[i + 1][j], cost[i][j + 1]));
        }
      }
    }
    int i = 0;
    int j = 0;
    while (i < n && j < m) {
      if (a.get(a0 + i).equals(b.get(b0 + j))) {
        matchOfA[a0 + i++] = b0 + j++;
      } else if (cost[i][j] == EXCHANGED + cost[i + 1][j + 1]) {
        i++;
        j++;
      } else if (cost[i][j] == LEFT_OUT + cost[i + 1][j]) {
        i++;
      } else {
        j++;
      }
    }
  }
}
