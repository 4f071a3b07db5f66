/** Cleaning a voice before it is heard: hum and rumble, noise, uneven loudness, sharp sibilants. */
@NullMarked
package paringknife.core.listen.clean;

import org.jspecify.annotations.NullMarked;
