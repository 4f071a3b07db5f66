package paringknife.core.pare;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;
import paringknife.core.listen.Pause;
import paringknife.core.listen.PauseSettings;

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
  private static final PauseSettings TIGHT = new PauseSettings(-36, 300_000, 10_000, 100_000);

  /** Ways to make a clip shorter, the least harm first. */
  public enum Kind {
    PAUSES,
    SURE_FILLERS,
    REPEATS,
    TIGHTER_PAUSES,
    DOUBTFUL_FILLERS,
    SPEED
  }

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
      Kind kind,
      long gainUs,
      long lengthAfterUs,
      boolean needed,
      boolean declined,
      int taken,
      int found) {}

  /** A way to make a clip shorter piece by piece, the longest piece first. */
  private record Way(int pieces, IntFunction<Pared> taking) {}

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
  public static FitPlan of(PareEditor editor, Pared clip, long targetUs, Set<Kind> declined) {
    long length = editor.lengthUs(clip);
    List<Step> steps = new ArrayList<>();
    Pared now = clip;
    long before = length;
    long reached = length;
    for (Kind kind : Kind.values()) {
      if (kind == Kind.SPEED) {
        break;
      }
      Way way = way(editor, now, kind);
      boolean needed = reached > targetUs;
      int pieces =
          needed && !declined.contains(kind) ? enough(editor, way, targetUs) : way.pieces();
      Pared taken = way.taking().apply(pieces);
      long after = editor.lengthUs(taken);
      if (after >= before) {
        continue;
      }
      if (declined.contains(kind)) {
        steps.add(new Step(kind, before - after, before, needed, true, pieces, way.pieces()));
        continue;
      }
      steps.add(new Step(kind, before - after, after, needed, false, pieces, way.pieces()));
      now = taken;
      before = after;
      reached = needed ? after : reached;
    }
    double speed = reached <= targetUs ? clip.speed() : speedFor(reached * clip.speed(), targetUs);
    if (speed > clip.speed()) {
      double shown = Math.min(speed, Pared.FASTEST);
      long after = Math.round(reached * clip.speed() / shown);
      steps.add(
          new Step(Kind.SPEED, reached - after, after, true, declined.contains(Kind.SPEED), 1, 1));
    }
    boolean fits = reached <= targetUs || speed <= Pared.FASTEST && !declined.contains(Kind.SPEED);
    return new FitPlan(length, targetUs, steps, Math.min(speed, Pared.FASTEST), fits);
  }

  /** The fewest pieces that reach the target; all when even they do not. */
  private static int enough(PareEditor editor, Way way, long targetUs) {
    int low = 0;
    int high = way.pieces();
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (editor.lengthUs(way.taking().apply(middle)) <= targetUs) {
        high = middle;
      } else {
        low = middle + 1;
      }
    }
    return low;
  }

  private static Way way(PareEditor editor, Pared clip, Kind kind) {
    return switch (kind) {
      case PAUSES -> pauses(editor, clip, PauseSettings.DEFAULT);
      case TIGHTER_PAUSES -> pauses(editor, clip, TIGHT);
      case SURE_FILLERS -> fillers(editor, clip, true);
      case DOUBTFUL_FILLERS -> fillers(editor, clip, false);
      case REPEATS -> {
        List<RepeatGroup> groups = editor.repeats(clip);
        yield new Way(groups.size(), n -> editor.pareRepeats(clip, groups.subList(0, n)));
      }
      case SPEED -> new Way(0, n -> clip);
    };
  }

  private static Way pauses(PareEditor editor, Pared clip, PauseSettings settings) {
    List<Pause> longest =
        editor.pauses(clip, settings.inRoom(editor.quietBelowDb())).stream()
            .sorted(
                Comparator.comparingLong((Pause p) -> -p.cut().lengthUs())
                    .thenComparingLong(p -> p.cut().startUs()))
            .toList();
    return new Way(longest.size(), n -> editor.parePauses(clip, longest.subList(0, n)));
  }

  private static Way fillers(PareEditor editor, Pared clip, boolean sure) {
    List<Filler> found = editor.fillers(clip).stream().filter(f -> f.sure() == sure).toList();
    return new Way(found.size(), n -> editor.pareFillers(clip, found.subList(0, n)));
  }

  /** Rounded up to a thousandth, so that the target is reached. */
  private static double speedFor(double playedUs, long targetUs) {
    return Math.ceil(playedUs / targetUs * 1_000 - 1e-9) / 1_000;
  }

  /** The clip after the steps chosen; speed as far as it is needed when it is among them. */
  public Pared apply(PareEditor editor, Pared clip, List<Kind> chosen) {
    Pared now = clip;
    for (Kind kind : Kind.values()) {
      if (chosen.contains(kind) && kind != Kind.SPEED) {
        Way way = way(editor, now, kind);
        now = way.taking().apply(enough(editor, way, targetUs));
      }
    }
    if (!chosen.contains(Kind.SPEED)) {
      return now;
    }
    double played = editor.lengthUs(now) * now.speed();
    double needed = Math.max(1, Math.min(Pared.FASTEST, speedFor(played, targetUs)));
    return now.withSpeed(needed);
  }
}
