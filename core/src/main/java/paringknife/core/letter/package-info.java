/** Captions timed to the word: cue breaking, lettering and drawing instructions (ASS). */
@NullMarked
package paringknife.core.letter;

import org.jspecify.annotations.NullMarked;
