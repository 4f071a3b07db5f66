package paringknife.core.frame;

import paringknife.core.time.Span;

/**
 * What part of the picture shows during a stretch of the episode, held still.
 *
 * @param span on the episode's clock
 * @param person index of the person held; -1 for nobody
 */
public record HeldWindow(Span span, Window window, int person) {}
