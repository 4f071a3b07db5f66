package paringknife.core.clip.cut;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * What plays: the kept spans of a clip in playing order, the gaps between them, and their places on
 * the clip's own clock. Kept and cut together are the whole of the picked stretches, without
 * overlap.
 *
 * @param kept spans that play, in playing order
 * @param cut spans that were left out, in the order of the stretches
 * @param gaps inserted room tone, in playing order
 */
public record CutList(List<Span> kept, List<Span> cut, List<PlacedGap> gaps) {
  /** Between two removals, this much without a word is not worth hearing. */
  private static final long ISLAND_US = 1_000_000;

  public CutList {
    kept = List.copyOf(kept);
    cut = List.copyOf(cut);
    gaps = List.copyOf(gaps);
  }

  /** A cut list without inserted gaps. */
  public CutList(List<Span> kept, List<Span> cut) {
    this(kept, cut, List.of());
  }

  /**
   * The cut list of what was picked; islands of up to a second between two removals that hold no
   * word go too.
   *
   * @param stretches what was picked, in playing order
   * @param removals in order of time
   * @param inserted room tone put in, in any order
   */
  public static CutList of(
      List<Span> stretches, List<Removal> removals, List<Gap> inserted, Transcript transcript) {
    List<Gap> gaps = inserted.stream().sorted(Comparator.comparingLong(Gap::atUs)).toList();
    int most = removals.size() + 1;
    List<Span> kept = new ArrayList<>(most);
    List<Span> cut = new ArrayList<>(most);
    List<PlacedGap> placed = new ArrayList<>();
    for (Span stretch : stretches) {
      List<Span> gone = withoutIslands(merged(removals, stretch), transcript);
      List<Gap> here =
          gaps.stream()
              .filter(g -> g.atUs() > stretch.startUs() && g.atUs() <= stretch.endUs())
              .toList();
      place(outside(gone, stretch), here, kept, placed);
      cut.addAll(gone);
    }
    return new CutList(kept, cut, kept.isEmpty() ? List.of() : placed);
  }

  private static List<Span> outside(List<Span> gone, Span stretch) {
    List<Span> rest = new ArrayList<>(gone.size() + 1);
    long from = stretch.startUs();
    for (Span span : gone) {
      if (span.startUs() > from) {
        rest.add(new Span(from, span.startUs()));
      }
      from = span.endUs();
    }
    if (from < stretch.endUs()) {
      rest.add(new Span(from, stretch.endUs()));
    }
    return rest;
  }

  /** A gap inside a kept span parts it; one where something was cut plays at the join. */
  private static void place(
      List<Span> rest, List<Gap> gaps, List<Span> kept, List<PlacedGap> placed) {
    int next = 0;
    for (Span span : rest) {
      long from = span.startUs();
      for (; next < gaps.size() && gaps.get(next).atUs() < span.endUs(); next++) {
        Gap gap = gaps.get(next);
        if (gap.atUs() > from) {
          kept.add(new Span(from, gap.atUs()));
          from = gap.atUs();
        }
        placed.add(new PlacedGap(gap.id(), kept.size() - 1, gap.lengthUs()));
      }
      kept.add(new Span(from, span.endUs()));
    }
    for (; next < gaps.size(); next++) {
      placed.add(new PlacedGap(gaps.get(next).id(), kept.size() - 1, gaps.get(next).lengthUs()));
    }
  }

  /** The times of a stretch that removals take out, in order and without overlap. */
  private static List<Span> merged(List<Removal> removals, Span stretch) {
    List<Span> merged = new ArrayList<>(removals.size());
    for (Removal removal : removals) {
      if (removal.means() != Means.CUT || !removal.span().overlaps(stretch)) {
        continue;
      }
      long from = Math.max(stretch.startUs(), removal.span().startUs());
      long to = Math.min(stretch.endUs(), removal.span().endUs());
      int last = merged.size() - 1;
      if (last >= 0 && from <= merged.get(last).endUs()) {
        merged.set(
            last, new Span(merged.get(last).startUs(), Math.max(merged.get(last).endUs(), to)));
      } else {
        merged.add(new Span(from, to));
      }
    }
    return merged;
  }

  private static List<Span> withoutIslands(List<Span> gone, Transcript transcript) {
    List<Span> joined = new ArrayList<>(gone.size());
    for (Span span : gone) {
      int last = joined.size() - 1;
      if (last >= 0 && isIsland(joined.get(last).endUs(), span.startUs(), transcript)) {
        joined.set(last, new Span(joined.get(last).startUs(), span.endUs()));
      } else {
        joined.add(span);
      }
    }
    return joined;
  }

  private static boolean isIsland(long fromUs, long toUs, Transcript transcript) {
    if (toUs - fromUs > ISLAND_US) {
      return false;
    }
    int next = transcript.firstEndingAfter(fromUs);
    for (int i = next; i < transcript.words().size(); i++) {
      Span word = transcript.words().get(i).span();
      if (word.startUs() >= toUs) {
        return true;
      }
      if (word.middleUs() >= fromUs && word.middleUs() < toUs) {
        return false;
      }
    }
    return true;
  }

  /** Length of the clip in microseconds, gaps included. */
  public long lengthUs() {
    return kept.stream().mapToLong(Span::lengthUs).sum()
        + gaps.stream().mapToLong(PlacedGap::lengthUs).sum();
  }

  /** Where each kept span begins on the clip's clock, microseconds. */
  public long[] startsUs() {
    long[] starts = new long[kept.size()];
    int gap = 0;
    long played = 0;
    for (int i = 0; i < starts.length; i++) {
      for (; gap < gaps.size() && gaps.get(gap).after() < i; gap++) {
        played += gaps.get(gap).lengthUs();
      }
      starts[i] = played;
      played += kept.get(i).lengthUs();
    }
    return starts;
  }

  /** How much room tone follows a kept span (-1: precedes all), microseconds. */
  long gapAfterUs(int span) {
    return gaps.stream().filter(g -> g.after() == span).mapToLong(PlacedGap::lengthUs).sum();
  }

  /** The same spans arranged for looking up times; build it once for many questions. */
  public KeptIndex index() {
    return new KeptIndex(kept, startsUs());
  }
}
