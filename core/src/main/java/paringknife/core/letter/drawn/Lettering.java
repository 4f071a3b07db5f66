package paringknife.core.letter.drawn;

import paringknife.core.letter.cue.Breaking;
import paringknife.core.letter.style.Style;

/**
 * A named way to set captions.
 *
 * @param id stable name, lower case
 * @param name shown to the producer
 * @param style how they look
 * @param breaking how they are broken
 */
public record Lettering(String id, String name, Style style, Breaking breaking) {}
