/** An episode's material on disk and in memory, shared by server and command line. */
@NullMarked
package paringknife.server.episodes;

import org.jspecify.annotations.NullMarked;
