package paringknife.core.clip.cut;

/**
 * A gap where it plays.
 *
 * @param id of the {@link Gap}
 * @param after index of the kept span it follows; -1 before the first
 */
public record PlacedGap(long id, int after, long lengthUs) {}
