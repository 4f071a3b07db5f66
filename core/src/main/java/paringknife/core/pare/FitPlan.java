package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/**
 * What can still go so that a clip fits a length, the least harm first: pauses, sure fillers,
 * second attempts, tighter pauses, doubtful fillers, and last of all playing a little faster. Each
 * step is counted after the ones before it and takes no more than is needed: the longest pauses
 * first, so that the fewest cuts are made.
 *
 * @param lengthUs length now
 * @param targetUs length wanted
 * @param steps in the order in which they would be taken; those that gain nothing are left out
 * @param speed how fast it would have to play after all other steps, 1 when that is not needed
 * @param fits whether the plan reaches the target
 */
public record FitPlan(long lengthUs, long targetUs, List<Step> steps, double speed, boolean fits) {
  /**
   * One step.
   *
   * @param gainUs what it gives
   * @param lengthAfterUs length after it and those before; a step that is declined changes nothing
   * @param needed whether the target was not reached before it
   * @param declined whether the producer does not want it
   * @param taken how many of those found it takes
   * @param found how many there are
   */
  public record Step(
      Way kind,
      long gainUs,
      long lengthAfterUs,
      boolean needed,
      boolean declined,
      int taken,
      int found) {}

  public FitPlan {
    steps = List.copyOf(steps);
  }

  /** Plans for a clip with all ways open; nothing is changed. */
  public static FitPlan of(PareEditor editor, Pared clip, long targetUs) {
    return of(editor, clip, targetUs, Set.of());
  }

  /**
   * Plans for a clip; nothing is changed.
   *
   * @param declined ways that the producer does not want
   */
  public static FitPlan of(PareEditor editor, Pared clip, long targetUs, Set<Way> declined) {
    long length = editor.lengthUs(clip);
    List<Step> steps = new ArrayList<>();
    Pared now = clip;
    long before = length;
    long reached = length;
    for (Way way : Way.values()) {
      if (way == Way.SPEED) {
        break;
      }
      Found found = RemovalKind.finder(way).in(editor, now);
      boolean needed = reached > targetUs;
      int pieces =
          needed && !declined.contains(way) ? enough(editor, found, targetUs) : found.count();
      Pared taken = found.taking().apply(pieces);
      long after = editor.lengthUs(taken);
      if (after >= before) {
        continue;
      }
      if (declined.contains(way)) {
        steps.add(new Step(way, before - after, before, needed, true, pieces, found.count()));
        continue;
      }
      steps.add(new Step(way, before - after, after, needed, false, pieces, found.count()));
      now = taken;
      before = after;
      reached = needed ? after : reached;
    }
    double speed = reached <= targetUs ? clip.speed() : speedFor(reached * clip.speed(), targetUs);
    if (speed > clip.speed()) {
      double shown = Math.min(speed, Pared.FASTEST);
      long after = Math.round(reached * clip.speed() / shown);
      steps.add(
          new Step(Way.SPEED, reached - after, after, true, declined.contains(Way.SPEED), 1, 1));
    }
    boolean fits = reached <= targetUs || speed <= Pared.FASTEST && !declined.contains(Way.SPEED);
    return new FitPlan(length, targetUs, steps, Math.min(speed, Pared.FASTEST), fits);
  }

  /** The fewest pieces that reach the target; all when even they do not. */
  private static int enough(PareEditor editor, Found found, long targetUs) {
    int low = 0;
    int high = found.count();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (editor.lengthUs(found.taking().apply(middle)) <= targetUs) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  /** Rounded up to a thousandth, so that the target is reached. */
  private static double speedFor(double playedUs, long targetUs) {
    return Math.ceil(playedUs / targetUs * 1_000 - 1e-9) / 1_000;
  }

  /** The clip after the steps chosen; speed as far as it is needed when it is among them. */
  public Pared apply(PareEditor editor, Pared clip, List<Way> chosen) {
    Pared now = clip;
    for (Way way : Way.values()) {
      if (chosen.contains(way) && way != Way.SPEED) {
        Found found = RemovalKind.finder(way).in(editor, now);
        now = found.taking().apply(enough(editor, found, targetUs));
      }
    }
    if (!chosen.contains(Way.SPEED)) {
      return now;
    }
    double played = editor.lengthUs(now) * now.speed();
    double needed = Math.max(1, Math.min(Pared.FASTEST, speedFor(played, targetUs)));
    return now.withSpeed(needed);
  }
}
