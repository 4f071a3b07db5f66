package paringknife.server.database;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import org.jspecify.annotations.Nullable;

/** Moments as the database keeps them: in UTC, whatever the machine's own zone is. */
public final class Utc {
  private Utc() {}

  public static LocalDateTime now() {
    return LocalDateTime.now(ZoneOffset.UTC);
  }

  /** What is kept of a moment; of none, none. */
  public static @Nullable LocalDateTime of(@Nullable Instant instant) {
    return instant == null ? null : LocalDateTime.ofInstant(instant, ZoneOffset.UTC);
  }

  /** The moment that was kept; of none, none. */
  public static @Nullable Instant instant(@Nullable LocalDateTime kept) {
    return kept == null ? null : kept.toInstant(ZoneOffset.UTC);
  }
}
