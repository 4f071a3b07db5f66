/** Child processes with time limits; nothing here passes through a shell. */
@NullMarked
package paringknife.media.process;

import org.jspecify.annotations.NullMarked;
