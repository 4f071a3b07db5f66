/** Colours of pictures: what cameras see, and how one is made to look like another. */
@NullMarked
package paringknife.core.frame.colour;

import org.jspecify.annotations.NullMarked;
