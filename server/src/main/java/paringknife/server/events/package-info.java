/** Progress told to the browser. */
@NullMarked
package paringknife.server.events;

import org.jspecify.annotations.NullMarked;
