/** From landscape to vertical: faces, people, who speaks, held windows. */
@NullMarked
package paringknife.core.frame;

import org.jspecify.annotations.NullMarked;
