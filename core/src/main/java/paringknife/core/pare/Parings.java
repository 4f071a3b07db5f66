package paringknife.core.pare;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Means;
import paringknife.core.clip.cut.Reason;
import paringknife.core.clip.cut.Removal;
import paringknife.core.time.Span;

/**
 * The tray of what was taken out, a view of the clip: how much went, for which reason. Seconds
 * count once even where removals overlap (the earlier reason in time has them). What was silenced
 * or left uncaptioned takes no time out and is not counted here.
 *
 * @param originalUs length of what was picked
 * @param lengthUs length at present
 * @param byReason how many removals and how much time, by reason
 */
public record Parings(long originalUs, long lengthUs, Map<Reason, Total> byReason) {
  /** How many removals, and how many microseconds they take out. */
  public record Total(int count, long us) {}

  /**
   * @param cuts the clip's cut list
   */
  public static Parings of(Pared clip, CutList cuts) {
    Map<Reason, Total> totals = new EnumMap<>(Reason.class);
    List<Span> stretches = clip.stretches();
    long original = stretches.stream().mapToLong(Span::lengthUs).sum();
    long counted = Long.MIN_VALUE;
    for (Removal removal : clip.removals()) {
      if (removal.means() != Means.CUT) {
        continue;
      }
      long from = Math.max(counted, removal.span().startUs());
      long to = removal.span().endUs();
      counted = Math.max(counted, to);
      long inside = 0;
      boolean touches = false;
      for (Span stretch : stretches) {
        touches |= stretch.overlaps(removal.span());
        if (to > from) {
          inside += stretch.overlapUs(new Span(from, to));
        }
      }
      if (touches) {
        Total before = totals.getOrDefault(removal.reason(), new Total(0, 0));
        totals.put(removal.reason(), new Total(before.count() + 1, before.us() + inside));
      }
    }
    return new Parings(original, cuts.lengthUs(), totals);
  }
}
