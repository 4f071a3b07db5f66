/** Proposals, the producer's own marks, briefs and chapters. */
@NullMarked
package paringknife.server.picks;

import org.jspecify.annotations.NullMarked;
