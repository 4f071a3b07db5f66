package paringknife.core.frame;

import paringknife.core.time.Span;

/**
 * A part of the picture that is held still.
 *
 * @param span on the episode's clock
 * @param person index of the person held; -1 for nobody
 */
public record HeldWindow(Span span, Window window, int person) implements PlannedWindow {
  @Override
  public Window at(long us) {
    return window;
  }

  @Override
  public HeldWindow during(Span stretch) {
    return new HeldWindow(stretch, window, person);
  }
}
