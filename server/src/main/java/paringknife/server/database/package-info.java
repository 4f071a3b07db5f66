/** MariaDB as a child process, and the generated tables. */
@NullMarked
package paringknife.server.database;

import org.jspecify.annotations.NullMarked;
