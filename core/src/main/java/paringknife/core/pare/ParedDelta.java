package paringknife.core.pare;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.Removal;
import paringknife.core.time.Span;

/**
 * The difference between two states of what was pared: of thousands of removals it names those that
 * came and went.
 *
 * @param was all but the removals, before
 * @param is all but the removals, after
 * @param taken removals that were there only before
 * @param added removals that are there only after
 */
public record ParedDelta(Rest was, Rest is, List<Removal> taken, List<Removal> added) {
  /**
   * What was pared without its removals; where it did not change it need not say what it is, and
   * then it is empty but for the identities.
   */
  public record Rest(List<Span> stretches, List<Gap> gaps, double speed, long nextId) {
    /** All as it was but the identities. */
    public static Rest unchanged(long nextId) {
      return new Rest(List.of(), List.of(), 1, nextId);
    }

    private Pared with(Pared pared, List<Removal> removals) {
      return stretches.isEmpty()
          ? pared.withRemovals(removals, nextId)
          : new Pared(stretches, removals, gaps, speed, nextId);
    }

    static Rest of(Pared pared) {
      return new Rest(pared.stretches(), pared.gaps(), pared.speed(), pared.nextId());
    }

    boolean differsButForIdentity(Rest other) {
      return !stretches.equals(other.stretches) || !gaps.equals(other.gaps) || speed != other.speed;
    }
  }

  public static ParedDelta between(Pared before, Pared after) {
    List<Removal> was = before.removals();
    List<Removal> is = after.removals();
    int start = alikeAtStart(was, is);
    int end = alikeAtEnd(was, is, start);
    List<Removal> gone = was.subList(start, was.size() - end);
    List<Removal> come = is.subList(start, is.size() - end);
    Rest from = Rest.of(before);
    Rest to = Rest.of(after);
    boolean differs = from.differsButForIdentity(to);
    return new ParedDelta(
        differs ? from : Rest.unchanged(before.nextId()),
        differs ? to : Rest.unchanged(after.nextId()),
        onlyIn(gone, come),
        onlyIn(come, gone));
  }

  /** Whether both states are alike; an identity that was not given to anything does not count. */
  public boolean changesNothing() {
    return taken.isEmpty() && added.isEmpty() && !was.differsButForIdentity(is);
  }

  public Pared forwards(Pared before) {
    return exchanged(before, taken, added, is);
  }

  public Pared backwards(Pared after) {
    return exchanged(after, added, taken, was);
  }

  private static Pared exchanged(Pared pared, List<Removal> out, List<Removal> in, Rest rest) {
    List<Removal> removals = new ArrayList<>(onlyIn(pared.removals(), out));
    removals.addAll(in);
    return rest.with(pared, removals);
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

  private static List<Removal> onlyIn(List<Removal> these, List<Removal> others) {
    Set<Removal> known = new HashSet<>(others);
    return these.stream().filter(r -> !known.contains(r)).toList();
  }
}
