/**
 * Trimming by transcript: removals with reasons, the cut list, fillers, cut placement, the clip
 * document and its changes.
 */
@NullMarked
package paringknife.core.pare;

import org.jspecify.annotations.NullMarked;
