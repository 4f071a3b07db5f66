/** What somebody who has to say yes is shown of a clip, and what of it is new to them. */
@org.jspecify.annotations.NullMarked
package paringknife.core.proof;
