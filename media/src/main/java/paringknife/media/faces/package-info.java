/** Finding faces in pictures with OpenCV. */
@NullMarked
package paringknife.media.faces;

import org.jspecify.annotations.NullMarked;
