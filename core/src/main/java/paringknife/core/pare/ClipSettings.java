package paringknife.core.pare;

import java.util.List;
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
 * @param speed how fast it plays at its own pitch; 1 is as spoken, {@value FitPlan#FASTEST} the most
 */
public record ClipSettings(
    String title,
    List<Span> stretches,
    String shape,
    Framing framing,
    String lettering,
    List<String> specs,
    double speed) {
  public ClipSettings {
    if (title.isBlank()) {
      throw new IllegalArgumentException("a clip needs a title");
    }
    if (stretches.isEmpty()) {
      throw new IllegalArgumentException("a clip needs at least one stretch of the episode");
    }
    speed = speed == 0 ? 1 : speed;
    if (!(speed >= 1 && speed <= FitPlan.FASTEST)) {
      throw new IllegalArgumentException("a clip plays at 1 to " + FitPlan.FASTEST + " times its speed");
    }
    stretches = List.copyOf(stretches);
    specs = List.copyOf(specs);
  }

  /** Settings of a clip that plays as spoken. */
  public ClipSettings(
      String title, List<Span> stretches, String shape, Framing framing, String lettering, List<String> specs) {
    this(title, stretches, shape, framing, lettering, specs, 1);
  }

  public ClipSettings withSpeed(double changed) {
    return new ClipSettings(title, stretches, shape, framing, lettering, specs, changed);
  }

  public ClipSettings withTitle(String changed) {
    return new ClipSettings(changed, stretches, shape, framing, lettering, specs, speed);
  }

  public ClipSettings withStretches(List<Span> changed) {
    return new ClipSettings(title, changed, shape, framing, lettering, specs, speed);
  }

  public ClipSettings withShape(String changed) {
    return new ClipSettings(title, stretches, changed, framing, lettering, specs, speed);
  }

  public ClipSettings withFraming(Framing changed) {
    return new ClipSettings(title, stretches, shape, changed, lettering, specs, speed);
  }

  public ClipSettings withLettering(String changed) {
    return new ClipSettings(title, stretches, shape, framing, changed, specs, speed);
  }

  public ClipSettings withSpecs(List<String> changed) {
    return new ClipSettings(title, stretches, shape, framing, lettering, changed, speed);
  }
}
