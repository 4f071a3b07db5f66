package paringknife.core.pare;

import java.util.ArrayList;
import java.util.List;
import paringknife.core.listen.PauseSettings;

/**
 * What can still go so that a clip fits a length, the least harm first: pauses, sure fillers, second
 * attempts, tighter pauses, doubtful fillers, and last of all playing a little faster. Each step is
 * counted after the ones before it.
 *
 * @param lengthUs length now
 * @param targetUs length wanted
 * @param steps in the order in which they would be taken; those that gain nothing are left out
 * @param speed how fast it would have to play after all other steps, 1 when that is not needed
 * @param fits whether the plan reaches the target
 */
public record FitPlan(long lengthUs, long targetUs, List<Step> steps, double speed, boolean fits) {
  /** The fastest a clip plays so that nobody notices. */
  public static final double FASTEST = 1.15;

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
   * @param lengthAfterUs length after it and those before
   * @param needed whether the target was not reached before it
   */
  public record Step(Kind kind, long gainUs, long lengthAfterUs, boolean needed) {}

  public FitPlan {
    steps = List.copyOf(steps);
  }

  /** Plans for a clip; nothing is changed. */
  public static FitPlan of(ClipEditor editor, ClipDocument clip, long targetUs) {
    long length = editor.lengthUs(clip);
    List<Step> steps = new ArrayList<>();
    ClipDocument now = clip;
    long before = length;
    for (Kind kind : Kind.values()) {
      if (kind == Kind.SPEED) {
        break;
      }
      now = take(editor, now, kind);
      long after = editor.lengthUs(now);
      if (after < before) {
        steps.add(new Step(kind, before - after, after, before > targetUs));
      }
      before = after;
    }
    long reached = steps.stream().filter(Step::needed).mapToLong(Step::lengthAfterUs).min().orElse(length);
    double speed = reached <= targetUs ? clip.settings().speed() : speedFor(reached * clip.settings().speed(), targetUs);
    if (speed > clip.settings().speed()) {
      double shown = Math.min(speed, FASTEST);
      long after = Math.round(reached * clip.settings().speed() / shown);
      steps.add(new Step(Kind.SPEED, reached - after, after, true));
    }
    return new FitPlan(length, targetUs, steps, Math.min(speed, FASTEST), speed <= FASTEST);
  }

  /** Rounded up to a thousandth, so that the target is reached. */
  private static double speedFor(double playedUs, long targetUs) {
    return Math.ceil(playedUs / targetUs * 1_000 - 1e-9) / 1_000;
  }

  /** The clip after one step other than speed. */
  public static ClipDocument take(ClipEditor editor, ClipDocument clip, Kind kind) {
    return switch (kind) {
      case PAUSES -> editor.parePauses(clip, PauseSettings.DEFAULT);
      case SURE_FILLERS -> editor.pareSureFillers(clip, FillerFinder.english());
      case REPEATS -> editor.pareRepeats(clip);
      case TIGHTER_PAUSES -> editor.parePauses(clip, TIGHT);
      case DOUBTFUL_FILLERS -> editor.pareDoubtfulFillers(clip, FillerFinder.english());
      case SPEED -> clip;
    };
  }

  /** The clip after the steps chosen; speed as the plan says when it is among them. */
  public ClipDocument apply(ClipEditor editor, ClipDocument clip, List<Kind> chosen) {
    ClipDocument now = clip;
    for (Kind kind : Kind.values()) {
      if (chosen.contains(kind) && kind != Kind.SPEED) {
        now = take(editor, now, kind);
      }
    }
    if (!chosen.contains(Kind.SPEED)) {
      return now;
    }
    double played = editor.lengthUs(now) * now.settings().speed();
    double needed = Math.max(1, Math.min(FASTEST, speedFor(played, targetUs)));
    return now.withSettings(now.settings().withSpeed(needed));
  }
}
