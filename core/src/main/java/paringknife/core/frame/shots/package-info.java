/** Where a recording goes over from one shot to the next. */
@NullMarked
package paringknife.core.frame.shots;

import org.jspecify.annotations.NullMarked;
