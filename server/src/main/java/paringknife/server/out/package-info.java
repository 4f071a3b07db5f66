/** Finished files on their way out of the door: with their captions, cuts and texts, as one. */
@NullMarked
package paringknife.server.out;

import org.jspecify.annotations.NullMarked;
