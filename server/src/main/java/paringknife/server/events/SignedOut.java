package paringknife.server.events;

/**
 * Somebody is signed out, here or everywhere: their open pages are told nothing more until they
 * have asked again.
 *
 * @param name that they were signed in by
 */
public record SignedOut(String name) {}
