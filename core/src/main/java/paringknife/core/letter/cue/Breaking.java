package paringknife.core.letter.cue;

/**
 * How captions and their lines are broken.
 *
 * @param words most words in a caption, 1 to {@value #MOST_WORDS}; 1 shows them one at a time
 * @param lines most lines, 1 to {@value #MOST_LINES}
 * @param characters most characters in a line, 4 to {@value #MOST_CHARACTERS}; a longer word stands
 *     alone
 * @param sentences whether captions end with sentences wherever one has room
 * @param lineShape which of several lines is the longer
 * @param timing how long captions stand
 */
public record Breaking(
    int words, int lines, int characters, boolean sentences, LineShape lineShape, Timing timing) {
  public static final int MOST_WORDS = 40;
  public static final int MOST_LINES = 3;
  public static final int MOST_CHARACTERS = 80;

  /** Above this many characters a second a viewer is warned for (common practice). */
  public static final double FASTEST_READING = 20;

  /** Which of several lines is the longer. */
  public enum LineShape {
    EVEN,
    WIDE_LOWER
  }

  /**
   * How long captions stand, microseconds.
   *
   * @param shortestUs they stand no shorter where there is room; 0 to 3 s
   * @param longestUs they never stand longer; 1 to 20 s, more than the shortest
   * @param lingerUs they stand on after their last word so long, 0 to 3 s
   */
  public record Timing(long shortestUs, long longestUs, long lingerUs) {
    /** 0.5 to 6 s; the BBC Subtitle Guidelines allow a little less of both. */
    public static final Timing USUAL = new Timing(500_000, 6_000_000, 350_000);

    /** For words that are shown one at a time. */
    public static final Timing AS_SPOKEN = new Timing(0, 6_000_000, 350_000);

    public Timing {
      if (shortestUs < 0
          || shortestUs > 3_000_000
          || longestUs < 1_000_000
          || longestUs > 20_000_000
          || lingerUs < 0
          || lingerUs > 3_000_000
          || shortestUs >= longestUs) {
        throw new IllegalArgumentException(
            "A caption stands 0 to 3 seconds at least, 1 to 20 at most, and lingers up to 3.");
      }
    }
  }

  public Breaking {
    if (words < 1 || words > MOST_WORDS) {
      throw new IllegalArgumentException("A caption has 1 to " + MOST_WORDS + " words.");
    }
    if (lines < 1 || lines > MOST_LINES) {
      throw new IllegalArgumentException("A caption has 1 to " + MOST_LINES + " lines.");
    }
    if (characters < 4 || characters > MOST_CHARACTERS) {
      throw new IllegalArgumentException(
          "A line of captions has room for 4 to " + MOST_CHARACTERS + " characters.");
    }
  }

  /** Even lines that stand as long as is usual. */
  public static Breaking of(int words, int lines, int characters) {
    return new Breaking(
        words,
        lines,
        characters,
        false,
        LineShape.EVEN,
        words == 1 ? Timing.AS_SPOKEN : Timing.USUAL);
  }

  /** A whole sentence in each caption, wherever it has room. */
  public Breaking bySentences() {
    return new Breaking(MOST_WORDS, lines, characters, true, lineShape, timing);
  }
}
