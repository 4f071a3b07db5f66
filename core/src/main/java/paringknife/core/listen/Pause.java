package paringknife.core.listen;

import paringknife.core.time.Span;

/**
 * A pause.
 *
 * @param quiet the whole quiet stretch
 * @param cut what goes when the pause is pared: the quiet stretch less tail and head room
 */
public record Pause(Span quiet, Span cut) {}
