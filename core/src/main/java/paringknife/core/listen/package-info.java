/** What is heard: level curves, pauses, loudness, peaks, joining and limiting sound. */
@NullMarked
package paringknife.core.listen;

import org.jspecify.annotations.NullMarked;
