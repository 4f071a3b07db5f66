/**
 * Several cameras of one event: where their pictures lie side by side, and which of them is seen.
 */
@NullMarked
package paringknife.core.frame.cameras;

import org.jspecify.annotations.NullMarked;
