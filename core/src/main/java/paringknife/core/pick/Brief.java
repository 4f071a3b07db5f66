package paringknife.core.pick;

import java.util.List;

/**
 * What is wanted of the picks.
 *
 * @param count how many
 * @param shortestUs shortest length after paring, microseconds
 * @param longestUs longest length after paring, microseconds
 * @param subjects words they should be about; may be empty
 * @param avoid words they should rather not be about
 * @param unheard words that must not be heard in them
 */
public record Brief(
    int count,
    long shortestUs,
    long longestUs,
    List<String> subjects,
    List<String> avoid,
    List<String> unheard) {
  public static final Brief DEFAULT = new Brief(3, 20_000_000, 55_000_000, List.of());

  public Brief {
    if (count < 1 || count > 100) {
      throw new IllegalArgumentException("between 1 and 100 picks can be asked for");
    }
    if (shortestUs < 1_000_000 || longestUs < shortestUs) {
      throw new IllegalArgumentException(
          "the shortest length must be at least 1 s and not above the longest");
    }
    subjects = List.copyOf(subjects);
    avoid = List.copyOf(avoid);
    unheard = List.copyOf(unheard);
  }

  /** A brief that avoids nothing. */
  public Brief(int count, long shortestUs, long longestUs, List<String> subjects) {
    this(count, shortestUs, longestUs, subjects, List.of(), List.of());
  }
}
