/** What is laid over a clip. */
@NullMarked
package paringknife.core.dress;

import org.jspecify.annotations.NullMarked;
