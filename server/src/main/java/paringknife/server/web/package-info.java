/** What holds for every request. */
@NullMarked
package paringknife.server.web;

import org.jspecify.annotations.NullMarked;
