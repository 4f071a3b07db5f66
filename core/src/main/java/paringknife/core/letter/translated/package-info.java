/** Captions in other languages than the one that is spoken. */
@NullMarked
package paringknife.core.letter.translated;

import org.jspecify.annotations.NullMarked;
