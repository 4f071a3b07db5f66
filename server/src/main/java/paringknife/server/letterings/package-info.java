/** Letterings and fonts, over HTTP and as files. */
@NullMarked
package paringknife.server.letterings;

import org.jspecify.annotations.NullMarked;
