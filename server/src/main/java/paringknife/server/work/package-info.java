/** What holds for all work in the background. */
@NullMarked
package paringknife.server.work;

import org.jspecify.annotations.NullMarked;
