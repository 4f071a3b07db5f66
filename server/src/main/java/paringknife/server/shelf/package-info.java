/** Episodes: adding, ingest, reading. */
@NullMarked
package paringknife.server.shelf;

import org.jspecify.annotations.NullMarked;
