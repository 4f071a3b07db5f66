package paringknife.core.pick;

/**
 * A part of an episode with one subject.
 *
 * @param startUs where it begins
 */
public record Chapter(long startUs, String title) {}
