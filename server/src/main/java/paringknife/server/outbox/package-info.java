/**
 * The outbox: what is to be posted where and when, and the stand-in that ships for destinations.
 */
@NullMarked
package paringknife.server.outbox;

import org.jspecify.annotations.NullMarked;
