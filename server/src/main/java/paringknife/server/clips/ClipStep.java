package paringknife.server.clips;

import java.util.List;
import org.jspecify.annotations.Nullable;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.pare.Framing;
import paringknife.core.pare.Removal;
import paringknife.core.time.Span;
import paringknife.core.transcript.Passage;

/**
 * What one change made of a clip, against the state with the revision before: small, whatever the
 * length of the clip.
 *
 * @param fromRevision the state that it goes on from
 * @param spans how many spans are kept now, so that a reader can tell whether it started from the
 *     same state
 */
public record ClipStep(
    long id,
    int fromRevision,
    int revision,
    @Nullable String undo,
    @Nullable String redo,
    String title,
    int firstWord,
    int lastWord,
    List<Span> stretches,
    List<Passage> pieces,
    String shape,
    Framing framing,
    String lettering,
    List<String> specs,
    double speed,
    List<ClipState.GapShown> gaps,
    Cleanup cleanup,
    RemovalSplice removals,
    SpanSplice kept,
    SpanSplice cut,
    int spans,
    long originalUs,
    long lengthUs,
    List<ClipState.Paring> parings) {

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
        after.title(),
        after.firstWord(),
        after.lastWord(),
        after.stretches(),
        after.pieces(),
        after.shape(),
        after.framing(),
        after.lettering(),
        after.specs(),
        after.speed(),
        after.gaps(),
        after.cleanup(),
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
