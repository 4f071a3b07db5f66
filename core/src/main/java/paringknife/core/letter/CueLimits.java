package paringknife.core.letter;

/**
 * How large a caption may be.
 *
 * @param words most words in a caption
 * @param lines most lines
 * @param charactersPerLine most characters in a line; a longer word stands alone
 */
public record CueLimits(int words, int lines, int charactersPerLine) {
  /** Shortest time a caption shows, microseconds (BBC Subtitle Guidelines allow a little less). */
  public static final long SHORTEST_US = 500_000;

  /** Longest time a caption shows, microseconds. */
  public static final long LONGEST_US = 6_000_000;

  /** Above this many characters a second a viewer is warned for (common practice). */
  public static final double FASTEST_READING = 20;

  public CueLimits {
    if (words < 1 || lines < 1 || charactersPerLine < 1) {
      throw new IllegalArgumentException("a caption needs room for at least one word");
    }
  }
}
