package paringknife.core.pick;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds where a text turns to another subject: neighbouring blocks of sentences are compared by the
 * words they share, and the deepest valleys of that likeness are boundaries (TextTiling, Hearst
 * 1997: block comparison by cosine, depth scores). The cut-off is the mean plus half a deviation,
 * stricter than the paper's for written text, since talk repeats itself less evenly.
 */
final class TextTiling {
  private static final int SMOOTHING = 1;

  private TextTiling() {}

  /**
   * Indexes of the first units of new subjects, in order, without 0.
   *
   * @param units stems of each unit (a sentence, or a pseudo-sentence of equal length)
   * @param blockSize units on each side that are compared
   * @param fewest units between two boundaries at least
   */
  public static List<Integer> boundaries(List<List<String>> units, int blockSize, int fewest) {
    int gaps = units.size() - 1;
    if (gaps < 2 * fewest) {
      return List.of();
    }
    double[] likeness = new double[gaps];
    for (int gap = 0; gap < gaps; gap++) {
      likeness[gap] =
          cosine(
              counts(units, gap + 1 - blockSize, gap + 1),
              counts(units, gap + 1, gap + 1 + blockSize));
    }
    double[] depth = depths(smooth(likeness));
    double mean = 0;
    for (double d : depth) {
      mean += d / gaps;
    }
    double variance = 0;
    for (double d : depth) {
      variance += (d - mean) * (d - mean) / gaps;
    }
    double least = mean + Math.sqrt(variance) / 2;
    List<Integer> byDepth = new ArrayList<>();
    for (int gap = 0; gap < gaps; gap++) {
      if (depth[gap] > Math.max(least, 0) && isPeak(depth, gap)) {
        byDepth.add(gap);
      }
    }
    byDepth.sort(
        (a, b) ->
            Double.compare(depth[b], depth[a]) != 0
                ? Double.compare(depth[b], depth[a])
                : Integer.compare(a, b));
    List<Integer> chosen = new ArrayList<>();
    for (int gap : byDepth) {
      int unit = gap + 1;
      boolean apart = chosen.stream().allMatch(c -> Math.abs(c - unit) >= fewest);
      if (apart && unit >= fewest && units.size() - unit >= fewest) {
        chosen.add(unit);
      }
    }
    chosen.sort(null);
    return chosen;
  }

  private static boolean isPeak(double[] depth, int gap) {
    return (gap == 0 || depth[gap] >= depth[gap - 1])
        && (gap + 1 == depth.length || depth[gap] >= depth[gap + 1]);
  }

  private static Map<String, Integer> counts(List<List<String>> units, int from, int to) {
    Map<String, Integer> counts = new HashMap<>();
    for (int i = Math.max(0, from); i < Math.min(units.size(), to); i++) {
      units.get(i).forEach(w -> counts.merge(w, 1, Integer::sum));
    }
    return counts;
  }

  /** Likeness of two rows of counts, 0 to 1. */
  static double cosine(Map<String, Integer> a, Map<String, Integer> b) {
    double dot = 0;
    for (Map.Entry<String, Integer> entry : a.entrySet()) {
      dot += entry.getValue() * (double) b.getOrDefault(entry.getKey(), 0);
    }
    double length = Math.sqrt(squares(a) * squares(b));
    return length == 0 ? 0 : dot / length;
  }

  private static double squares(Map<String, Integer> counts) {
    return counts.values().stream().mapToDouble(c -> (double) c * c).sum();
  }

  private static double[] smooth(double[] values) {
    double[] smooth = new double[values.length];
    for (int i = 0; i < values.length; i++) {
      double sum = 0;
      int count = 0;
      for (int k = Math.max(0, i - SMOOTHING);
          k <= Math.min(values.length - 1, i + SMOOTHING);
          k++) {
        sum += values[k];
        count++;
      }
      smooth[i] = sum / count;
    }
    return smooth;
  }

  /** How far the likeness rises on both sides of each gap before it falls again. */
  static double[] depths(double[] likeness) {
    double[] depth = new double[likeness.length];
    for (int i = 0; i < likeness.length; i++) {
      double left = likeness[i];
      for (int k = i - 1; k >= 0 && likeness[k] >= left; k--) {
        left = likeness[k];
      }
      double right = likeness[i];
      for (int k = i + 1; k < likeness.length && likeness[k] >= right; k++) {
        right = likeness[k];
      }
      depth[i] = left - likeness[i] + right - likeness[i];
    }
    return depth;
  }
}
