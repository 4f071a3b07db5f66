/** From landscape to vertical: layouts, windows, the path they take. */
@NullMarked
package paringknife.core.frame;

import org.jspecify.annotations.NullMarked;
