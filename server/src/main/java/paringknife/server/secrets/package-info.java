/** Passwords and tokens: how they are made, kept and tried. */
@org.jspecify.annotations.NullMarked
package paringknife.server.secrets;
