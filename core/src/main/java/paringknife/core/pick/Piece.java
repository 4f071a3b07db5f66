package paringknife.core.pick;

/**
 * One piece of a batch recording; words by index, both included.
 *
 * @param matched share of its script's words that are said in it, 0 to 1; 1 where there is no
 *     script
 * @param attempts how many of its lines are said more than once
 */
public record Piece(String title, int first, int last, double matched, int attempts) {}
