package paringknife.core.clip.cut;

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
  private final long[] playsAt;
  private final int[] byTime;
  private final long[] starts;
  private final long[] latestEnd;

  /**
   * @param playsAt where each span begins on the clip's clock
   */
  KeptIndex(List<Span> kept, long[] playsAt) {
    this.kept = kept;
    this.playsAt = playsAt;
    this.byTime = inOrder(kept) ? IntStream.range(0, kept.size()).toArray() : sorted(kept);
    this.starts = new long[kept.size()];
    this.latestEnd = new long[kept.size()];
    for (int i = 0; i < byTime.length; i++) {
      starts[i] = kept.get(byTime[i]).startUs();
      latestEnd[i] = Math.max(i == 0 ? 0 : latestEnd[i - 1], kept.get(byTime[i]).endUs());
    }
  }

  /** Whether the spans play as they were recorded, as those of most clips do. */
  private static boolean inOrder(List<Span> kept) {
    for (int i = 1; i < kept.size(); i++) {
      if (kept.get(i).startUs() < kept.get(i - 1).startUs()) {
        return false;
      }
    }
    return true;
  }

  private static int[] sorted(List<Span> kept) {
    return IntStream.range(0, kept.size())
        .boxed()
        .sorted(Comparator.comparing(kept::get))
        .mapToInt(Integer::intValue)
        .toArray();
  }

  /** Where an episode time plays on the clip's clock; empty when it was left out. */
  public OptionalLong toClip(long episodeUs) {
    for (int i = lastStartingBy(episodeUs); i >= 0 && latestEnd[i] > episodeUs; i--) {
      Span span = kept.get(byTime[i]);
      if (span.contains(episodeUs)) {
        return OptionalLong.of(playsAt[byTime[i]] + episodeUs - span.startUs());
      }
    }
    return OptionalLong.empty();
  }

  /**
   * The episode time heard at a time of the clip, clamped to the clip; in a gap, the time it
   * follows.
   */
  public long toEpisode(long clipUs) {
    if (kept.isEmpty()) {
      return 0;
    }
    int at = java.util.Arrays.binarySearch(playsAt, clipUs);
    int span = Math.max(0, at >= 0 ? at : -at - 2);
    long inside = Math.max(0, Math.min(kept.get(span).lengthUs(), clipUs - playsAt[span]));
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
