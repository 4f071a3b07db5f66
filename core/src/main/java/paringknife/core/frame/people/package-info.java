/** Who is seen: faces followed through shots, people known again, who of them speaks. */
@NullMarked
package paringknife.core.frame.people;

import org.jspecify.annotations.NullMarked;
