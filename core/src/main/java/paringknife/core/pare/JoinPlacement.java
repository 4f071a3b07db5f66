package paringknife.core.pare;

import paringknife.core.listen.LevelCurve;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * Puts the edges of a cut where nobody hears them: at the quietest moment of the gap beside the
 * words, never inside a word that stays.
 */
final class JoinPlacement {
  /** How far from a word its edge may be sought. */
  private static final long REACH_US = 250_000;

  private final Transcript transcript;
  private final LevelCurve levels;

  public JoinPlacement(Transcript transcript, LevelCurve levels) {
    this.transcript = transcript;
    this.levels = levels;
  }

  /** What to take out so that words {@code first} to {@code last} (indexes, both included) go. */
  public Span around(int first, int last) {
    return new Span(edgeBefore(first), Math.max(edgeBefore(first), edgeAfter(last)));
  }

  /** What to take out so that a word's end meets the beginning of a later one. */
  public Span upTo(int first, int next) {
    return new Span(edgeBefore(first), Math.max(edgeBefore(first), edgeBefore(next)));
  }

  /** The best edge between a word and the one before it. */
  public long edgeBefore(int word) {
    long start = transcript.words().get(word).startUs();
    long previous = word == 0 ? 0 : transcript.words().get(word - 1).endUs();
    return quietest(Math.max(previous, start - REACH_US), start);
  }

  /** The best edge between a word and the one after it. */
  public long edgeAfter(int word) {
    long end = transcript.words().get(word).endUs();
    long next =
        word + 1 == transcript.words().size()
            ? Math.max(end, levels.durationUs())
            : transcript.words().get(word + 1).startUs();
    return quietest(end, Math.min(next, end + REACH_US));
  }

  private long quietest(long fromUs, long toUs) {
    if (toUs <= fromUs) {
      return (fromUs + toUs) / 2;
    }
    if (toUs - fromUs < 2 * LevelCurve.WINDOW_US || levels.windows() == 0) {
      return (fromUs + toUs) / 2;
    }
    int first = levels.windowAt(fromUs + LevelCurve.WINDOW_US - 1);
    int last = levels.windowAt(toUs) - 1;
    int best = (first + last) / 2;
    double least = Double.MAX_VALUE;
    for (int i = first; i <= last; i++) {
      double around = around(i);
      if (around < least - 0.5
          || (around < least + 0.5
              && Math.abs(i - (first + last) / 2.0) < Math.abs(best - (first + last) / 2.0))) {
        least = Math.min(least, around);
        best = i;
      }
    }
    long us = best * LevelCurve.WINDOW_US + LevelCurve.WINDOW_US / 2;
    return Math.max(fromUs, Math.min(toUs, us));
  }

  private double around(int window) {
    double sum = 0;
    int count = 0;
    for (int k = -1; k <= 1; k++) {
      int at = window + k;
      if (at >= 0 && at < levels.windows()) {
        sum += levels.dbfs()[at];
        count++;
      }
    }
    return sum / count;
  }
}
