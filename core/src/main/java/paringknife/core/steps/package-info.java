/** Differences between states of a document, which a log of steps is made of. */
@NullMarked
package paringknife.core.steps;

import org.jspecify.annotations.NullMarked;
