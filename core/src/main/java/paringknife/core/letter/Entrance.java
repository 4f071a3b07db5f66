package paringknife.core.letter;

import java.util.Locale;

/** How a caption comes in; each way writes its own ASS tags. */
public sealed interface Entrance {
  Entrance NONE = new AtOnce();

  /** Override tags for the first moment of a caption; empty for none. */
  String tags();

  /** It is there. */
  record AtOnce() implements Entrance {
    @Override
    public String tags() {
      return "";
    }
  }

  /** It comes out of nothing within a time, milliseconds. */
  record Fade(int ms) implements Entrance {
    public Fade {
      if (ms < 1 || ms > 2_000) {
        throw new IllegalArgumentException("A fade takes 1 to 2000 milliseconds.");
      }
    }

    @Override
    public String tags() {
      return String.format(Locale.ROOT, "{\\fad(%d,0)}", ms);
    }
  }

  /** It grows to its size within a time, milliseconds, from a share of it. */
  record Pop(int ms, double from) implements Entrance {
    public Pop {
      if (ms < 1 || ms > 2_000 || !(from > 0 && from < 1)) {
        throw new IllegalArgumentException("A caption pops up within 1 to 2000 milliseconds.");
      }
    }

    @Override
    public String tags() {
      long start = Math.round(from * 100);
      return String.format(
          Locale.ROOT, "{\\fscx%d\\fscy%d\\t(0,%d,\\fscx100\\fscy100)}", start, start, ms);
    }
  }
}
