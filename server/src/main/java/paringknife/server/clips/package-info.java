/** Clips: documents, changes, undo and redo. */
@NullMarked
package paringknife.server.clips;

import org.jspecify.annotations.NullMarked;
