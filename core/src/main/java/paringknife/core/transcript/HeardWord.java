package paringknife.core.transcript;

/**
 * A word as a recogniser heard it.
 *
 * @param token lower case, without punctuation
 * @param startUs start on the episode's clock
 * @param endUs end on the episode's clock
 * @param confidence 0 to 1
 */
public record HeardWord(String token, long startUs, long endUs, double confidence) {}
