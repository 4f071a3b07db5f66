package paringknife.core.frame;

import paringknife.core.time.Span;

/**
 * What a producer has set by hand, and where it holds. Where two hold at once the narrower one
 * does, and of two alike the later.
 *
 * @param id names it within the clip
 */
public record SetFrame(long id, Extent extent, Shown shown) {

  /** Where it holds; times on the episode's clock, microseconds. */
  public sealed interface Extent {
    /** How narrow it is: what is narrower holds over what is wider. */
    int narrowness();

    /** From a time up to another. */
    record Stretch(Span span) implements Extent {
      @Override
      public int narrowness() {
        return 3;
      }
    }

    /** In the shot in which a time lies. */
    record Shot(long atUs) implements Extent {
      @Override
      public int narrowness() {
        return 2;
      }
    }

    /** From a time of the clip to its end, or to the next that holds from somewhere on. */
    record FromHere(long atUs) implements Extent {
      @Override
      public int narrowness() {
        return 1;
      }
    }

    /** Whenever a person would be shown since they speak. */
    record Speaking(int person) implements Extent {
      @Override
      public int narrowness() {
        return 0;
      }
    }
  }

  /** What is seen. */
  public sealed interface Shown {
    /** People, arranged. */
    record Laid(Layout layout) implements Shown {}

    /** A window that stays. */
    record Still(PlacedWindow window) implements Shown {}

    /** A window that goes from one place to another from the beginning to the end. */
    record Travel(PlacedWindow from, PlacedWindow to, Curve curve) implements Shown {}
  }
}
