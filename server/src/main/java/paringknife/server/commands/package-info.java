/** The command line. */
@NullMarked
package paringknife.server.commands;

import org.jspecify.annotations.NullMarked;
