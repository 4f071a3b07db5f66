/** The processes that take a share of the work, by the sign that each gives of itself. */
@NullMarked
package paringknife.server.workers;

import org.jspecify.annotations.NullMarked;
