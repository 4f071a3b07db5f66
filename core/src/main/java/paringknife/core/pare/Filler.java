package paringknife.core.pare;

/**
 * A filler word or phrase: word indexes {@code first} to {@code last}, both included.
 *
 * @param sure whether it is never anything else (um), or only sometimes (like)
 */
public record Filler(int first, int last, boolean sure) {}
