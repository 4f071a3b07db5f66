package paringknife.server.clips;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.Removal;
import paringknife.core.deliver.Delivered;
import paringknife.core.dress.LaidOver;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.listen.clean.Sounded;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;

/**
 * What one change made of a clip, against the state with the revision before: the sections that
 * changed, null for those that did not; small, whatever the length of the clip.
 *
 * @param fromRevision the state that it goes on from
 */
public record ClipStep(
    long id,
    int fromRevision,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    @Nullable ParedStep pared,
    @Nullable Framed framed,
    @Nullable Lettered lettered,
    @Nullable LaidOver laidOver,
    @Nullable Sounded sounded,
    @Nullable Delivered delivered) {

  /**
   * What changed of what plays; the long lists as what gave way to what.
   *
   * @param spans how many spans are kept now, so that a reader can tell whether it started from the
   *     same state
   */
  public record ParedStep(
      int firstWord,
      int lastWord,
      List<Span> stretches,
      List<Passage> pieces,
      double speed,
      List<ClipState.GapShown> gaps,
      RemovalSplice removals,
      SpanSplice kept,
      SpanSplice cut,
      int spans,
      long originalUs,
      long lengthUs,
      List<ClipState.Paring> parings) {}

  /** In a list, {@code taken} entries from {@code from} on give way to {@code added}. */
  public record RemovalSplice(int from, int taken, List<Removal> added) {}

  /** In a list, {@code taken} entries from {@code from} on give way to {@code added}. */
  public record SpanSplice(int from, int taken, List<Span> added) {}

  static ClipStep between(ClipState before, ClipState after) {
    return new ClipStep(
        after.id(),
        before.revision(),
        after.revision(),
        after.undo(),
        after.redo(),
        before.pared().equals(after.pared()) ? null : between(before.pared(), after.pared()),
        changed(before.framed(), after.framed()),
        changed(before.lettered(), after.lettered()),
        changed(before.laidOver(), after.laidOver()),
        changed(before.sounded(), after.sounded()),
        changed(before.delivered(), after.delivered()));
  }

  private static <S> @Nullable S changed(S before, S after) {
    return before.equals(after) ? null : after;
  }

  private static ParedStep between(ClipState.ParedState before, ClipState.ParedState after) {
    return new ParedStep(
        after.firstWord(),
        after.lastWord(),
        after.stretches(),
        after.pieces(),
        after.speed(),
        after.gaps(),
        removals(before.removals(), after.removals()),
        spans(before.kept(), after.kept()),
        spans(before.cut(), after.cut()),
        after.kept().size(),
        after.originalUs(),
        after.lengthUs(),
        after.parings());
  }

  private static RemovalSplice removals(List<Removal> before, List<Removal> after) {
    int from = alikeAtStart(before, after);
    int end = alikeAtEnd(before, after, from);
    return new RemovalSplice(
        from, before.size() - end - from, after.subList(from, after.size() - end));
  }

  private static SpanSplice spans(List<Span> before, List<Span> after) {
    int from = alikeAtStart(before, after);
    int end = alikeAtEnd(before, after, from);
    return new SpanSplice(
        from, before.size() - end - from, after.subList(from, after.size() - end));
  }

  private static int alikeAtStart(List<?> a, List<?> b) {
    int n = 0;
    while (n < Math.min(a.size(), b.size()) && a.get(n).equals(b.get(n))) {
      n++;
    }
    return n;
  }

  private static int alikeAtEnd(List<?> a, List<?> b, int start) {
    int n = 0;
    while (n < Math.min(a.size(), b.size()) - start
        && a.get(a.size() - 1 - n).equals(b.get(b.size() - 1 - n))) {
      n++;
    }
    return n;
  }
}
