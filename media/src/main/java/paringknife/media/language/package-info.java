/** What dictionaries know of a language. */
@NullMarked
package paringknife.media.language;

import org.jspecify.annotations.NullMarked;
