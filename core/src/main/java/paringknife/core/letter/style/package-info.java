/** What letterings are made of: faces, colours, outlines, grounds, marks and movement. */
@NullMarked
package paringknife.core.letter.style;

import org.jspecify.annotations.NullMarked;
