/** What was said: words with identity and time, speakers, paragraphs, sentences, search. */
@NullMarked
package paringknife.core.transcript;

import org.jspecify.annotations.NullMarked;
