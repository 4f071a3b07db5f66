/** The section of a clip that says how it is captioned. */
@NullMarked
package paringknife.core.letter;

import org.jspecify.annotations.NullMarked;
