package paringknife.core.outbox;

import paringknife.core.deliver.post.PostTexts;

/**
 * A finished file and its texts, as they are offered to a destination.
 *
 * @param width pixels; 0 where there is nothing to see
 * @param height pixels; 0 where there is nothing to see
 * @param seconds how long it plays
 */
public record Offered(int width, int height, double seconds, long bytes, PostTexts texts) {}
