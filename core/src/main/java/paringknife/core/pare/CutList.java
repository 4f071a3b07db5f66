package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * What plays: the kept spans of a clip in playing order, and their places on the clip's own clock.
 * Kept and cut together are the whole of the picked stretches, without overlap.
 *
 * @param kept spans that play, in playing order
 * @param cut spans that were left out, in the order of the stretches
 */
public record CutList(List<Span> kept, List<Span> cut) {
  /** Between two removals, this much without a word is not worth hearing. */
  private static final long ISLAND_US = 1_000_000;

  public CutList {
    kept = List.copyOf(kept);
    cut = List.copyOf(cut);
  }

  /** A clip's cut list; islands of up to a second between two removals that hold no word go too. */
  public static CutList of(ClipDocument document, Transcript transcript) {
    List<Span> kept = new ArrayList<>();
    List<Span> cut = new ArrayList<>();
    for (Span stretch : document.settings().stretches()) {
      List<Span> gone = withoutIslands(merged(document.removals(), stretch), transcript);
      long from = stretch.startUs();
      for (Span span : gone) {
        if (span.startUs() > from) {
          kept.add(new Span(from, span.startUs()));
        }
        from = span.endUs();
      }
      if (from < stretch.endUs()) {
        kept.add(new Span(from, stretch.endUs()));
      }
      cut.addAll(gone);
    }
    return new CutList(kept, cut);
  }

  private static List<Span> merged(List<Removal> removals, Span stretch) {
    List<Span> merged = new ArrayList<>();
    for (Removal removal : removals) {
      if (!removal.span().overlaps(stretch)) {
        continue;
      }
      long from = Math.max(stretch.startUs(), removal.span().startUs());
      long to = Math.min(stretch.endUs(), removal.span().endUs());
      Span last = merged.isEmpty() ? null : merged.get(merged.size() - 1);
      if (last != null && from <= last.endUs()) {
        merged.set(merged.size() - 1, new Span(last.startUs(), Math.max(last.endUs(), to)));
      } else {
        merged.add(new Span(from, to));
      }
    }
    return merged;
  }

  private static List<Span> withoutIslands(List<Span> gone, Transcript transcript) {
    List<Span> joined = new ArrayList<>();
    for (Span span : gone) {
      Span last = joined.isEmpty() ? null : joined.get(joined.size() - 1);
      if (last != null && isIsland(last.endUs(), span.startUs(), transcript)) {
        joined.set(joined.size() - 1, new Span(last.startUs(), span.endUs()));
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

  /** Length of the clip in microseconds. */
  public long lengthUs() {
    return kept.stream().mapToLong(Span::lengthUs).sum();
  }

  /** The same spans arranged for looking up times; build it once for many questions. */
  public KeptIndex index() {
    return new KeptIndex(kept);
  }
}
