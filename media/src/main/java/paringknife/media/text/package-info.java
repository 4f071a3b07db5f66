/** Finds text that was in the picture before. */
@NullMarked
package paringknife.media.text;

import org.jspecify.annotations.NullMarked;
