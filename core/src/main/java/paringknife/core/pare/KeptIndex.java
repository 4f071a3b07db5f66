package paringknife.core.pare;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalLong;
import java.util.stream.IntStream;
import paringknife.core.time.Span;

/**
 * Kept spans arranged so that a time of the episode finds its place in the clip, and back, in
 * logarithmic time. Where the same material plays twice, its first place in the episode's order
 * counts.
 */
public final class KeptIndex {
  private final List<Span> kept;
  private final long[] playedBefore;
  private final int[] byTime;
  private final long[] starts;
  private final long[] latestEnd;

  KeptIndex(List<Span> kept) {
    this.kept = kept;
    this.playedBefore = new long[kept.size() + 1];
    for (int i = 0; i < kept.size(); i++) {
      playedBefore[i + 1] = playedBefore[i] + kept.get(i).lengthUs();
    }
    this.byTime =
        IntStream.range(0, kept.size())
            .boxed()
            .sorted(Comparator.comparing(kept::get))
            .mapToInt(Integer::intValue)
            .toArray();
    this.starts = new long[kept.size()];
    this.latestEnd = new long[kept.size()];
    for (int i = 0; i < byTime.length; i++) {
      starts[i] = kept.get(byTime[i]).startUs();
      latestEnd[i] = Math.max(i == 0 ? 0 : latestEnd[i - 1], kept.get(byTime[i]).endUs());
    }
  }

  /** Where an episode time plays on the clip's clock; empty when it was left out. */
  public OptionalLong toClip(long episodeUs) {
    for (int i = lastStartingBy(episodeUs); i >= 0 && latestEnd[i] > episodeUs; i--) {
      Span span = kept.get(byTime[i]);
      if (span.contains(episodeUs)) {
        return OptionalLong.of(playedBefore[byTime[i]] + episodeUs - span.startUs());
      }
    }
    return OptionalLong.empty();
  }

  /** The episode time heard at a time of the clip, clamped to the clip. */
  public long toEpisode(long clipUs) {
    if (kept.isEmpty()) {
      return 0;
    }
    int at = java.util.Arrays.binarySearch(playedBefore, Math.max(0, clipUs));
    int span = Math.min(kept.size() - 1, at >= 0 ? at : -at - 2);
    long inside = Math.min(kept.get(span).lengthUs(), Math.max(0, clipUs) - playedBefore[span]);
    return kept.get(span).startUs() + inside;
  }

  /** How much of a span is kept, in microseconds. */
  public long keptUs(Span span) {
    long sum = 0;
    for (int i = lastStartingBy(span.endUs()); i >= 0 && latestEnd[i] > span.startUs(); i--) {
      sum += kept.get(byTime[i]).overlapUs(span);
    }
    return sum;
  }

  private int lastStartingBy(long us) {
    int at = java.util.Arrays.binarySearch(starts, us);
    if (at < 0) {
      return -at - 2;
    }
    while (at + 1 < starts.length && starts[at + 1] == us) {
      at++;
    }
    return at;
  }
}
