/** Who may work here from other machines, what they may do, and what they are looking at. */
@org.jspecify.annotations.NullMarked
package paringknife.server.team;
