package paringknife.core.pare;

import java.util.List;
import paringknife.core.listen.clean.Cleanup;
import paringknife.core.time.Span;

/**
 * Everything about a clip except its removals.
 *
 * @param title shown on the bench and used for file names
 * @param stretches what was picked, in playing order, on the episode's clock
 * @param shape aspect ratio shown on the plate, such as {@code 9:16}
 * @param framing whom the frame holds
 * @param lettering id of the lettering for the captions
 * @param specs ids of the delivery specs asked for
 * @param speed how fast it plays at its own pitch; 1 is as spoken, {@value FitPlan#FASTEST} the
 *     most
 * @param gaps room tone put in
 * @param cleanup what is done to the voice before it is heard
 */
public record ClipSettings(
    String title,
    List<Span> stretches,
    String shape,
    Framing framing,
    String lettering,
    List<String> specs,
    double speed,
    List<Gap> gaps,
    Cleanup cleanup) {
  public ClipSettings {
    if (title.isBlank()) {
      throw new IllegalArgumentException("a clip needs a title");
    }
    if (stretches.isEmpty()) {
      throw new IllegalArgumentException("a clip needs at least one stretch of the episode");
    }
    speed = speed == 0 ? 1 : speed;
    if (!(speed >= 1 && speed <= FitPlan.FASTEST)) {
      throw new IllegalArgumentException(
          "a clip plays at 1 to " + FitPlan.FASTEST + " times its speed");
    }
    stretches = List.copyOf(stretches);
    specs = List.copyOf(specs);
    gaps = gaps == null ? List.of() : List.copyOf(gaps);
    cleanup = cleanup == null ? Cleanup.NONE : cleanup;
  }

  /** Settings of a clip that plays as spoken. */
  public ClipSettings(
      String title,
      List<Span> stretches,
      String shape,
      Framing framing,
      String lettering,
      List<String> specs) {
    this(title, stretches, shape, framing, lettering, specs, 1, List.of(), Cleanup.NONE);
  }

  public ClipSettings withSpeed(double changed) {
    return new ClipSettings(
        title, stretches, shape, framing, lettering, specs, changed, gaps, cleanup);
  }

  public ClipSettings withTitle(String changed) {
    return new ClipSettings(
        changed, stretches, shape, framing, lettering, specs, speed, gaps, cleanup);
  }

  public ClipSettings withStretches(List<Span> changed) {
    return new ClipSettings(title, changed, shape, framing, lettering, specs, speed, gaps, cleanup);
  }

  public ClipSettings withShape(String changed) {
    return new ClipSettings(
        title, stretches, changed, framing, lettering, specs, speed, gaps, cleanup);
  }

  public ClipSettings withFraming(Framing changed) {
    return new ClipSettings(
        title, stretches, shape, changed, lettering, specs, speed, gaps, cleanup);
  }

  public ClipSettings withLettering(String changed) {
    return new ClipSettings(title, stretches, shape, framing, changed, specs, speed, gaps, cleanup);
  }

  public ClipSettings withSpecs(List<String> changed) {
    return new ClipSettings(
        title, stretches, shape, framing, lettering, changed, speed, gaps, cleanup);
  }

  public ClipSettings withGaps(List<Gap> changed) {
    return new ClipSettings(
        title, stretches, shape, framing, lettering, specs, speed, changed, cleanup);
  }

  public ClipSettings withCleanup(Cleanup changed) {
    return new ClipSettings(
        title, stretches, shape, framing, lettering, specs, speed, gaps, changed);
  }
}
