package paringknife.core.frame;

import paringknife.core.time.Span;

/** What part of the picture shows during a stretch of the episode. */
public sealed interface PlannedWindow permits HeldWindow, MovingWindow, TravellingWindow {
  /** On the episode's clock. */
  Span span();

  /** Index of the person shown; -1 for nobody. */
  int person();

  /**
   * What shows at a time.
   *
   * @param us on the episode's clock; before or after the stretch it is what shows at its edge
   */
  Window at(long us);

  /** What shows during another stretch; a moving one goes the same way. */
  PlannedWindow during(Span stretch);
}
