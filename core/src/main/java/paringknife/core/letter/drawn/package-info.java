/** Letterings, and the drawing instructions (ASS v4+) that preview and export follow. */
@NullMarked
package paringknife.core.letter.drawn;

import org.jspecify.annotations.NullMarked;
