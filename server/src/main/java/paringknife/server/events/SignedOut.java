package paringknife.server.events;

/**
 * Somebody is signed out wherever they are, and is told nothing more.
 *
 * @param name that they were signed in by
 */
public record SignedOut(String name) {}
