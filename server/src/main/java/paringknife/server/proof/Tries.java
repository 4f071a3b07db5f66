package paringknife.server.proof;

import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;
import paringknife.server.database.Recent;

/** How often something was tried of late: so many times within a time, and then no more for it. */
@Component
class Tries {
  private static final int AT_HAND = 5_000;
  private static final Duration WITHIN = Duration.ofMinutes(1);

  private final Recent<Count> counts = new Recent<>(AT_HAND);

  private record Count(Instant since, int tries) {}

  /** Counts a try; answers whether it may be made. */
  synchronized boolean mayTry(long what, int most) {
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
