/** The delivery specs that there are: those that ship, and the user's own. */
@org.jspecify.annotations.NullMarked
package paringknife.server.specs;
