/** Captions as text with times: where they and their lines break, how long they stand. */
@NullMarked
package paringknife.core.letter.cue;

import org.jspecify.annotations.NullMarked;
