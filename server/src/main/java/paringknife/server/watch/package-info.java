/** Looks for work that has moved on, in whatever process. */
@NullMarked
package paringknife.server.watch;

import org.jspecify.annotations.NullMarked;
