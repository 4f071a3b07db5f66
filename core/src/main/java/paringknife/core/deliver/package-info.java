/** Delivery specs, preflight checks and file names. */
@NullMarked
package paringknife.core.deliver;

import org.jspecify.annotations.NullMarked;
