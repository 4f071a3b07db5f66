/** Speech synthesis and recognition by programs of this machine. */
@NullMarked
package paringknife.media.speech;

import org.jspecify.annotations.NullMarked;
