/** Font files: what letters they have, how wide they are, what they may be used for. */
@NullMarked
package paringknife.core.letter.fonts;

import org.jspecify.annotations.NullMarked;
