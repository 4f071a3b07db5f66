/** Clips shown by link to somebody who has to say yes, and what they remark. */
@org.jspecify.annotations.NullMarked
package paringknife.server.proof;
