/** The still that stands for a clip where it is not playing. */
@NullMarked
package paringknife.core.deliver.cover;

import org.jspecify.annotations.NullMarked;
