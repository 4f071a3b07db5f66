/** Posting finished clips: what destinations take, when posts go out, and what becomes of them. */
@NullMarked
package paringknife.core.outbox;

import org.jspecify.annotations.NullMarked;
