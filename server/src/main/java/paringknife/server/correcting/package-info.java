/** Correcting transcripts, and taking them along. */
@NullMarked
package paringknife.server.correcting;

import org.jspecify.annotations.NullMarked;
