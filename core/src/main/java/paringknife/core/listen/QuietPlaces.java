package paringknife.core.listen;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;

/** Parts a recording at quiet places, for work that is done part by part. */
public final class QuietPlaces {
  private QuietPlaces() {}

  /**
   * Parts that cover the whole recording, each between {@code shortestUs} and about twice that,
   * parted where it is quietest. Sound without a quiet place is parted all the same.
   */
  public static List<Span> parts(LevelCurve levels, long shortestUs) {
    List<Span> parts = new ArrayList<>();
    int shortest = (int) Math.max(1, shortestUs / LevelCurve.WINDOW_US);
    int from = 0;
    while (levels.windows() - from > 2 * shortest) {
      int best = quietest(levels, from + shortest, from + 2 * shortest);
      parts.add(new Span(from * LevelCurve.WINDOW_US, best * LevelCurve.WINDOW_US));
      from = best;
    }
    parts.add(new Span(from * LevelCurve.WINDOW_US, levels.durationUs()));
    return parts;
  }

  /** The middle of the quietest 200 ms between two windows. */
  private static int quietest(LevelCurve levels, int from, int to) {
    int width = 20;
    int best = from + width / 2;
    double least = Double.MAX_VALUE;
    double sum = 0;
    for (int i = from; i < to; i++) {
      sum += levels.dbfs()[i];
      if (i - from >= width) {
        sum -= levels.dbfs()[i - width];
      }
      if (i - from >= width - 1 && sum < least) {
        least = sum;
        best = i - width / 2;
      }
    }
    return best;
  }
}
