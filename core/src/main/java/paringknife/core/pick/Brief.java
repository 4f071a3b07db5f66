package paringknife.core.pick;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is wanted of the picks.
 *
 * @param count how many
 * @param shortestUs shortest length after paring, microseconds
 * @param longestUs longest length after paring, microseconds
 * @param subjects words they should be about; may be empty
 * @param avoid words they should rather not be about
 * @param unheard words that must not be heard in them
 * @param share share of what is left of the episode after paring that one clip of its highlights
 *     takes, above 0 and at most 0.9; null where single picks are wanted
 * @param specs ids of the delivery specs that clips made of the picks are asked for; may be empty
 */
public record Brief(
    int count,
    long shortestUs,
    long longestUs,
    List<String> subjects,
    List<String> avoid,
    List<String> unheard,
    @Nullable Double share,
    @Nullable List<String> specs) {
  public static final Brief DEFAULT = new Brief(3, 20_000_000, 55_000_000, List.of());

  public Brief {
    if (count < 1 || count > 100) {
      throw new IllegalArgumentException("between 1 and 100 picks can be asked for");
    }
    if (shortestUs < 1_000_000 || longestUs < shortestUs) {
      throw new IllegalArgumentException(
          "the shortest length must be at least 1 s and not above the longest");
    }
    if (share != null && !(share > 0 && share <= 0.9)) {
      throw new IllegalArgumentException(
          "a clip of highlights takes between 1 and 90 per cent of the episode");
    }
    subjects = List.copyOf(subjects);
    avoid = List.copyOf(avoid);
    unheard = List.copyOf(unheard);
    specs = specs == null ? List.of() : List.copyOf(specs);
  }

  /** A brief that avoids nothing. */
  public Brief(int count, long shortestUs, long longestUs, List<String> subjects) {
    this(count, shortestUs, longestUs, subjects, List.of(), List.of(), null, null);
  }

  /** A brief for single picks. */
  public Brief(
      int count,
      long shortestUs,
      long longestUs,
      List<String> subjects,
      List<String> avoid,
      List<String> unheard) {
    this(count, shortestUs, longestUs, subjects, avoid, unheard, null, null);
  }

  /** Asking only for those of its specs that there are. */
  public Brief amongSpecs(List<String> known) {
    return new Brief(
        count,
        shortestUs,
        longestUs,
        subjects,
        avoid,
        unheard,
        share,
        specs.stream().filter(known::contains).toList());
  }

  /** The same wishes, for other specs. */
  public Brief asking(List<String> others) {
    return new Brief(count, shortestUs, longestUs, subjects, avoid, unheard, share, others);
  }

  /** The same wishes for other lengths. */
  Brief ofLength(long shortest, long longest) {
    return new Brief(count, shortest, longest, subjects, avoid, unheard, share, specs);
  }
}
