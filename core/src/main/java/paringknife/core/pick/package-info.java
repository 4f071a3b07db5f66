/** Finding moments worth a clip: scoring with reasons and the choice of non-overlapping picks. */
@NullMarked
package paringknife.core.pick;

import org.jspecify.annotations.NullMarked;
