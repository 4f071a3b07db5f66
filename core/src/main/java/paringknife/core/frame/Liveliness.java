package paringknife.core.frame;

/** How readily a window goes along with whom it shows. */
public enum Liveliness {
  /** It moves only where it must. */
  STILL(0.02),
  CALM(0.1),
  /** It keeps the person in its middle. */
  LIVELY(0.3);

  private final double distance;

  Liveliness(double distance) {
    this.distance = distance;
  }

  /** What unrest costs, for samples every {@value MovingWindow#STEP_US} microseconds. */
  SteadyPath.Costs costs() {
    return new SteadyPath.Costs(distance, 4, 1);
  }
}
