/** The clip: its document in sections, what a step changes of it, and what it comes to. */
@NullMarked
package paringknife.core.clip;

import org.jspecify.annotations.NullMarked;
