package paringknife.core.listen;

import paringknife.core.time.Span;

/**
 * A quiet stretch of a recording in which nobody says a word.
 *
 * @param span where it lies, at most {@value RoomToneFinder#LONGEST_US} microseconds long
 * @param levelDb its mean level in dBFS
 */
public record RoomTone(Span span, double levelDb) {}
