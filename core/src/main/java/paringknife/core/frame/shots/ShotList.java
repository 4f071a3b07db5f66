package paringknife.core.frame.shots;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/**
 * The shots of a recording.
 *
 * @param startsUs when each begins, microseconds, in order; the first is there from the beginning
 */
public record ShotList(List<Long> startsUs) {
  /** One shot, from beginning to end. */
  public static final ShotList ONE = new ShotList(List.of(0L));

  public ShotList {
    startsUs = startsUs.isEmpty() ? List.of(0L) : List.copyOf(startsUs);
  }

  /**
   * @param starts the first frame of each
   */
  public static ShotList of(List<Long> starts, FrameRate rate) {
    return new ShotList(starts.stream().map(rate::startUs).toList());
  }

  public boolean isOne() {
    return startsUs.size() == 1;
  }

  /** A stretch of the recording by its shots, in order; never empty. */
  public List<Span> parts(Span whole) {
    List<Span> parts = new ArrayList<>();
    long from = whole.startUs();
    for (long start : startsUs) {
      if (start > from && start < whole.endUs()) {
        parts.add(new Span(from, start));
        from = start;
      }
    }
    parts.add(new Span(from, whole.endUs()));
    return parts;
  }

  /** The shot in which a time lies. */
  public Span around(long us) {
    int shot = 0;
    while (shot + 1 < startsUs.size() && startsUs.get(shot + 1) <= us) {
      shot++;
    }
    return new Span(
        shot == 0 ? Math.min(0, us) : startsUs.get(shot),
        shot + 1 < startsUs.size() ? startsUs.get(shot + 1) : Long.MAX_VALUE);
  }
}
