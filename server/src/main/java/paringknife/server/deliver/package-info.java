/** The delivery sheet and rendering. */
@NullMarked
package paringknife.server.deliver;

import org.jspecify.annotations.NullMarked;
