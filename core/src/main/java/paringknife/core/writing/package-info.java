/**
 * Text in any script: where its words begin, whether a blank stands between two of them, and how
 * much room they take.
 */
@NullMarked
package paringknife.core.writing;

import org.jspecify.annotations.NullMarked;
