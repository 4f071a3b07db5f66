package paringknife.core.pare;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import paringknife.core.steps.Delta;

/**
 * The difference between two states of a clip: small, exact, and applicable in both directions.
 * Undo applies it backwards, redo forwards.
 *
 * @param before settings before; null when they did not change
 * @param after settings after; null when they did not change
 * @param taken removals that were there only before
 * @param added removals that are there only after
 * @param nextIdBefore next removal identity before
 * @param nextIdAfter next removal identity after
 */
public record ClipDelta(
    @Nullable ClipSettings before,
    @Nullable ClipSettings after,
    List<Removal> taken,
    List<Removal> added,
    long nextIdBefore,
    long nextIdAfter)
    implements Delta<ClipDocument> {

  public static ClipDelta between(ClipDocument before, ClipDocument after) {
    boolean sameSettings = before.settings().equals(after.settings());
    List<Removal> was = before.removals();
    List<Removal> is = after.removals();
    int start = alikeAtStart(was, is);
    int end = alikeAtEnd(was, is, start);
    return new ClipDelta(
        sameSettings ? null : before.settings(),
        sameSettings ? null : after.settings(),
        onlyIn(was.subList(start, was.size() - end), is.subList(start, is.size() - end)),
        onlyIn(is.subList(start, is.size() - end), was.subList(start, was.size() - end)),
        before.nextRemovalId(),
        after.nextRemovalId());
  }

  /** Most of a long list stays where it is; only what lies between is looked at closely. */
  private static int alikeAtStart(List<Removal> a, List<Removal> b) {
    int n = 0;
    while (n < Math.min(a.size(), b.size()) && a.get(n).equals(b.get(n))) {
      n++;
    }
    return n;
  }

  private static int alikeAtEnd(List<Removal> a, List<Removal> b, int start) {
    int n = 0;
    while (n < Math.min(a.size(), b.size()) - start
        && a.get(a.size() - 1 - n).equals(b.get(b.size() - 1 - n))) {
      n++;
    }
    return n;
  }

  @Override
  public boolean changesNothing() {
    return before == null && taken.isEmpty() && added.isEmpty();
  }

  @Override
  public ClipDocument forwards(ClipDocument document) {
    return exchange(document, after, taken, added, nextIdAfter);
  }

  @Override
  public ClipDocument backwards(ClipDocument document) {
    return exchange(document, before, added, taken, nextIdBefore);
  }

  private static ClipDocument exchange(
      ClipDocument document,
      @Nullable ClipSettings settings,
      List<Removal> out,
      List<Removal> in,
      long nextId) {
    List<Removal> removals = new ArrayList<>(onlyIn(document.removals(), out));
    removals.addAll(in);
    return document
        .withSettings(settings == null ? document.settings() : settings)
        .withRemovals(removals, nextId);
  }

  private static List<Removal> onlyIn(List<Removal> these, List<Removal> others) {
    Set<Removal> known = new HashSet<>(others);
    return these.stream().filter(r -> !known.contains(r)).toList();
  }
}
