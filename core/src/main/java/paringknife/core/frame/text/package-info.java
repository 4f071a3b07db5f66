/** Text that was in the picture before: name banners, slides, signs. */
@NullMarked
package paringknife.core.frame.text;

import org.jspecify.annotations.NullMarked;
