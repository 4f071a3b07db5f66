/** Reading and writing transcript files. */
@NullMarked
package paringknife.media.transcripts;

import org.jspecify.annotations.NullMarked;
