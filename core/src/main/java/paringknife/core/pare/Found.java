package paringknife.core.pare;

import java.util.List;
import java.util.function.IntFunction;
import paringknife.core.time.Span;

/**
 * What one way would take out of a clip, the most worthwhile first.
 *
 * @param spans what would go, on the episode's clock
 * @param taking the clip after so many of them
 */
public record Found(List<Span> spans, IntFunction<Pared> taking) {
  public Found {
    spans = List.copyOf(spans);
  }

  public int count() {
    return spans.size();
  }

  /** The clip after all of them. */
  public Pared all() {
    return taking.apply(count());
  }

  /** How to look for it. */
  @FunctionalInterface
  public interface Finder {
    Found in(PareEditor editor, Pared clip);
  }
}
