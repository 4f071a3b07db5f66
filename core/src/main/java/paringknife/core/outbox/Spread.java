package paringknife.core.outbox;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;

/**
 * When several things are posted: one after another from a first time on. Whole days keep to the
 * clock on the wall, through changes to summer time and back; other steps are hours that pass.
 *
 * @param first by the clock on the wall
 * @param zone of that clock
 * @param everyHours from one to the next; 0 for all at once
 */
public record Spread(LocalDateTime first, ZoneId zone, int everyHours) {
  private static final int DAY = 24;
  private static final int MOST_HOURS = 366 * DAY;

  public Spread {
    if (everyHours < 0 || everyHours > MOST_HOURS) {
      throw new IllegalArgumentException("One post follows another within " + MOST_HOURS + " h.");
    }
    if (first.getYear() < 2000 || first.getYear() > 2200) {
      throw new IllegalArgumentException("Posts are scheduled for a year from 2000 to 2200.");
    }
  }

  /** The times of so many posts, in order. */
  public List<Instant> times(int count) {
    return IntStream.range(0, count).mapToObj(this::time).toList();
  }

  private Instant time(int index) {
    return everyHours % DAY == 0
        ? first.plusDays((long) index * (everyHours / DAY)).atZone(zone).toInstant()
        : first.atZone(zone).toInstant().plusSeconds((long) index * everyHours * 3600);
  }
}
