/** Everything in one file, and back from it. */
@NullMarked
package paringknife.server.backup;

import org.jspecify.annotations.NullMarked;
