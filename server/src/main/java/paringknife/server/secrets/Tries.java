package paringknife.server.secrets;

import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import paringknife.server.database.Recent;

/** How often something was tried of late: so many times a minute, and then no more for it. */
public final class Tries {
  private static final int AT_HAND = 5_000;
  private static final Duration WITHIN = Duration.ofMinutes(1);

  private final int most;
  private final Recent<Count> counts = new Recent<>(AT_HAND);

  private record Count(Instant since, int tries) {}

  /**
   * @param most times a minute
   */
  public Tries(int most) {
    this.most = most;
  }

  /** As {@link #mayTry(long)}, for what has a name; capitals and small letters are one. */
  public boolean mayTry(String what) {
    return mayTry(Token.digest(what.toLowerCase(Locale.ROOT)).getLong(0));
  }

  /** Counts a try; answers whether it may be made. */
  public synchronized boolean mayTry(long what) {
    Instant now = Instant.now();
    Count known = counts.get(what);
    Count next =
        known == null || known.since().plus(WITHIN).isBefore(now)
            ? new Count(now, 1)
            : new Count(known.since(), known.tries() + 1);
    counts.put(what, next);
    return next.tries() <= most;
  }
}
