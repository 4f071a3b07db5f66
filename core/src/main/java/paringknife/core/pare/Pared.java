package paringknife.core.pare;

import java.util.List;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.Gap;
import paringknife.core.clip.cut.Removal;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * The section of a clip that says what of the episode plays, and how fast. Immutable.
 *
 * @param stretches what was picked, in playing order, on the episode's clock; at least one
 * @param removals what was taken out of them, in order of time
 * @param gaps room tone put in
 * @param speed how fast it plays at its own pitch; 1 is as spoken, {@value #FASTEST} the most
 * @param nextId the identity the next removal or gap gets; never goes back, so that an identity is
 *     never used twice
 */
public record Pared(
    List<Span> stretches, List<Removal> removals, List<Gap> gaps, double speed, long nextId) {
  /** The fastest a clip plays so that nobody notices. */
  public static final double FASTEST = 1.15;

  public Pared {
    if (stretches.isEmpty()) {
      throw new IllegalArgumentException("a clip needs at least one stretch of the episode");
    }
    if (!(speed >= 1 && speed <= FASTEST)) {
      throw new IllegalArgumentException("a clip plays at 1 to " + FASTEST + " times its speed");
    }
    stretches = List.copyOf(stretches);
    removals = removals.stream().sorted().toList();
    gaps = List.copyOf(gaps);
  }

  /** Stretches of which nothing has been taken out. */
  public static Pared of(List<Span> stretches) {
    return new Pared(stretches, List.of(), List.of(), 1, 1);
  }

  /** What plays. */
  public CutList cuts(Transcript transcript) {
    return CutList.of(stretches, removals, gaps, transcript);
  }

  /** Length of what was picked, microseconds. */
  public long originalUs() {
    return stretches.stream().mapToLong(Span::lengthUs).sum();
  }

  /** How long something of this clip's own clock plays at its speed, microseconds. */
  public long playedUs(long clipUs) {
    return Math.round(clipUs / speed);
  }

  Pared withStretches(List<Span> changed) {
    return new Pared(changed, removals, gaps, speed, nextId);
  }

  Pared withRemovals(List<Removal> changed, long next) {
    return new Pared(stretches, changed, gaps, speed, next);
  }

  Pared withGaps(List<Gap> changed, long next) {
    return new Pared(stretches, removals, changed, speed, next);
  }

  public Pared withSpeed(double changed) {
    return new Pared(stretches, removals, gaps, changed, nextId);
  }

  /** The same with identities that go on at least from a number. */
  public Pared withIdsFrom(long next) {
    return new Pared(stretches, removals, gaps, speed, Math.max(nextId, next));
  }
}
