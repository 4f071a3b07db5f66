/** The stills that stand for clips. */
@NullMarked
package paringknife.server.cover;

import org.jspecify.annotations.NullMarked;
