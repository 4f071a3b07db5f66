package paringknife.core.formats;

import paringknife.core.time.Span;

/**
 * A caption as subtitle formats carry it: a time and plain text, lines separated by a line feed.
 */
public record TimedText(Span span, String text) {}
