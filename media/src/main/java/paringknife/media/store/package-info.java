/** Where media and what is made of it lies on disk. */
@NullMarked
package paringknife.media.store;

import org.jspecify.annotations.NullMarked;
