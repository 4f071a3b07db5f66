/** Time on the episode's clock (microseconds), exact frame rates and spans. */
@NullMarked
package paringknife.core.time;

import org.jspecify.annotations.NullMarked;
