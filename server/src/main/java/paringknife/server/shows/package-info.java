/**
 * What a show goes by: how its files are named and its texts written, and what its style brings.
 */
@NullMarked
package paringknife.server.shows;

import org.jspecify.annotations.NullMarked;
