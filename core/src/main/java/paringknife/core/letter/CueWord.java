package paringknife.core.letter;

import paringknife.core.time.Span;

/** A word as it stands in a caption, with its time on the clip's clock. */
public record CueWord(String text, Span span, long wordId) {}
