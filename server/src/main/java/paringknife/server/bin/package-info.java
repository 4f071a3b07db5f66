/** Empties the bin. */
@NullMarked
package paringknife.server.bin;

import org.jspecify.annotations.NullMarked;
