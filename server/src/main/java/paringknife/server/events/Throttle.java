package paringknife.server.events;

/** Lets an action through at most four times a second. */
public final class Throttle {
  private static final long INTERVAL_NS = 250_000_000;

  private long last = System.nanoTime() - INTERVAL_NS;

  public void run(Runnable action) {
    long now = System.nanoTime();
    if (now - last >= INTERVAL_NS) {
      last = now;
      action.run();
    }
  }
}
