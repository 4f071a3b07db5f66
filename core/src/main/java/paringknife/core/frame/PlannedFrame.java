package paringknife.core.frame;

import java.util.List;
import paringknife.core.time.Span;

/**
 * What shows during a stretch of the episode, pane by pane.
 *
 * @param span on the episode's clock
 * @param setBy what a producer has set here; {@value FramePath#BY_ITSELF} where nothing is
 */
public record PlannedFrame(Span span, List<Pane> panes, Ground ground, long setBy) {
  /** A part of the canvas and what it shows. */
  public record Pane(Place place, PlannedWindow window) {}

  public PlannedFrame {
    panes = List.copyOf(panes);
  }

  /** One window on the whole canvas. */
  public static PlannedFrame of(PlannedWindow window) {
    return new PlannedFrame(
        window.span(), List.of(new Pane(Place.WHOLE, window)), Ground.DARK, FramePath.BY_ITSELF);
  }

  /** The window of the first pane. */
  public PlannedWindow first() {
    return panes.get(0).window();
  }

  PlannedFrame with(List<Pane> others) {
    return new PlannedFrame(span, others, ground, setBy);
  }

  PlannedFrame during(Span stretch) {
    return new PlannedFrame(
        stretch,
        panes.stream().map(p -> new Pane(p.place(), p.window().during(stretch))).toList(),
        ground,
        setBy);
  }

  boolean isHeld() {
    return panes.stream().allMatch(p -> p.window() instanceof HeldWindow);
  }
}
