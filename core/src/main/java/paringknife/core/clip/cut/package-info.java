/** What of an episode plays in a clip: removals, gaps, the cut list and its runs of pictures. */
@NullMarked
package paringknife.core.clip.cut;

import org.jspecify.annotations.NullMarked;
