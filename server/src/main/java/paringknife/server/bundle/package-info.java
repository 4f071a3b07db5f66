/** An episode with all that was made of it, as one file that another installation opens. */
@org.jspecify.annotations.NullMarked
package paringknife.server.bundle;
