package paringknife.core.pare;

/**
 * What paring is done with: the editors of an episode.
 *
 * @param words how many words its transcript has
 * @param durationUs its length, microseconds
 */
public record PareDesk(PareEditor editor, StretchEditor stretches, int words, long durationUs) {

  /**
   * Refuses words that are not there.
   *
   * @param first index of the first
   * @param last index of the last, included
   */
  public void check(int first, int last) {
    if (first < 0 || last < first || last >= words) {
      throw new IllegalArgumentException("These words are not in the transcript.");
    }
  }
}
