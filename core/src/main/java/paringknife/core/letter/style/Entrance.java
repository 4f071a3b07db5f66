package paringknife.core.letter.style;

/** How a caption comes in. */
public sealed interface Entrance {
  Entrance NONE = new AtOnce();

  /** How long it takes, milliseconds. */
  int ms();

  /** It is there. */
  record AtOnce() implements Entrance {
    @Override
    public int ms() {
      return 0;
    }
  }

  /** It comes out of nothing. */
  record Fade(int ms) implements Entrance {
    public Fade {
      checkTime(ms);
    }
  }

  /** It grows to its size, from a share of it. */
  record Pop(int ms, double from) implements Entrance {
    public Pop {
      checkTime(ms);
      Bounds.check(from, 0.1, 0.99, "A caption's first size");
    }
  }

  /** It rises to its place, from so many pixels below (on a picture 1080 pixels wide). */
  record Rise(int ms, double from) implements Entrance {
    public Rise {
      checkTime(ms);
      Bounds.check(from, 1, 400, "How far a caption rises");
    }
  }

  /** Each word comes when it is spoken. */
  record WordByWord() implements Entrance {
    @Override
    public int ms() {
      return 0;
    }
  }

  private static void checkTime(int ms) {
    if (ms < 1 || ms > 2_000) {
      throw new IllegalArgumentException("A caption comes in within 1 to 2000 milliseconds.");
    }
  }
}
