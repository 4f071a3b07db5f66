/** Telling people from the ground behind them. */
@NullMarked
package paringknife.media.matte;

import org.jspecify.annotations.NullMarked;
