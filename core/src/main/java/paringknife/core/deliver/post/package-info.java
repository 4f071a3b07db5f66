/** The texts posted with a clip: proposed from its own words, and shortened for a destination. */
@org.jspecify.annotations.NullMarked
package paringknife.core.deliver.post;
