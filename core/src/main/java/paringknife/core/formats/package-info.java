/** Open interchange formats, read leniently and written strictly. */
@NullMarked
package paringknife.core.formats;

import org.jspecify.annotations.NullMarked;
