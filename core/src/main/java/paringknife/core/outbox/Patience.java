package paringknife.core.outbox;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/** How long posting is tried, and when it comes too late. */
public final class Patience {
  private static final List<Duration> PAUSES =
      List.of(
          Duration.ofMinutes(1),
          Duration.ofMinutes(5),
          Duration.ofMinutes(15),
          Duration.ofHours(1),
          Duration.ofHours(3));

  private static final Duration TOO_LATE = Duration.ofHours(12);

  private Patience() {}

  /**
   * How long to wait before another try; empty when it has been tried often enough.
   *
   * @param tries how often it has been, from 1
   */
  public static Optional<Duration> after(int tries) {
    return tries <= PAUSES.size() ? Optional.of(PAUSES.get(tries - 1)) : Optional.empty();
  }

  /** Whether a time is so long past that nobody expects a post any more. */
  public static boolean isTooLate(Instant due, Instant now) {
    return due.plus(TOO_LATE).isBefore(now);
  }
}
