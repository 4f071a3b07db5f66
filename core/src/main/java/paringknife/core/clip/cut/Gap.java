package paringknife.core.clip.cut;

/**
 * Room tone of a measured length, put into a clip where something is to breathe. The picture holds
 * its frame meanwhile.
 *
 * @param id identity within the clip, shared with removals
 * @param atUs the moment of the episode after which it plays
 * @param lengthUs 20 ms to 10 s
 */
public record Gap(long id, long atUs, long lengthUs) {
  public static final long SHORTEST_US = 20_000;
  public static final long LONGEST_US = 10_000_000;

  public Gap {
    if (lengthUs < SHORTEST_US || lengthUs > LONGEST_US) {
      throw new IllegalArgumentException("A gap lasts 0.02 to 10 seconds.");
    }
  }
}
