package paringknife.core.letter.cue;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.letter.cue.SpokenWord.Wishes;
import paringknife.core.time.Span;

/**
 * When captions stand: from their first word until a little after their last, never into the next
 * one or over a seam; gaps too short to be seen as such are closed (common practice: two frames).
 */
final class CueTimes {
  /** Two frames of 25 a second. */
  static final long TWO_FRAMES_US = 80_000;

  private final Breaking.Timing timing;
  private final long clipEndUs;

  CueTimes(Breaking.Timing timing, long clipEndUs) {
    this.timing = timing;
    this.clipEndUs = clipEndUs;
  }

  /** The times of captions in playing order. */
  List<Span> of(List<List<SpokenWord>> captions) {
    List<Span> spans = new ArrayList<>();
    long freeFromUs = 0;
    for (int i = 0; i < captions.size(); i++) {
      List<SpokenWord> words = captions.get(i);
      long nextUs = i + 1 < captions.size() ? start(captions.get(i + 1), 0) : clipEndUs;
      long start = start(words, freeFromUs);
      long limit = Math.max(start + 1, Math.min(nextUs, last(words).seamUs()));
      if (last(words).wishes().endUs() != Wishes.AS_PROPOSED) {
        limit = Math.max(start + 1, nextUs);
      }
      long end = end(words, start, limit);
      boolean setByHand = words.get(0).wishes().startUs() != 0;
      if (end - start < timing.shortestUs() && !setByHand) {
        start = Math.min(start, Math.max(freeFromUs, end - timing.shortestUs()));
      }
      spans.add(new Span(start, end));
      freeFromUs = end;
    }
    return spans;
  }

  private static SpokenWord last(List<SpokenWord> words) {
    return words.get(words.size() - 1);
  }

  private static long start(List<SpokenWord> words, long freeFromUs) {
    SpokenWord first = words.get(0);
    return Math.max(freeFromUs, first.span().startUs() + first.wishes().startUs());
  }

  private long end(List<SpokenWord> words, long start, long limit) {
    long said = last(words).span().endUs();
    long later = last(words).wishes().endUs();
    if (later != Wishes.AS_PROPOSED) {
      return Math.max(start + 1, Math.min(limit, said + later));
    }
    long wanted = Math.max(said + timing.lingerUs(), start + timing.shortestUs());
    if (limit - wanted < TWO_FRAMES_US) {
      wanted = limit;
    }
    return Math.max(start + 1, Math.min(limit, Math.min(wanted, start + timing.longestUs())));
  }
}
