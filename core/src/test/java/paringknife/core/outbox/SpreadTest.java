package paringknife.core.outbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Changes of the clock are those of the IANA time zone database that Java ships. */
class SpreadTest {
  private static final ZoneId BERLIN = ZoneId.of("Europe/Berlin");

  /** On 25 October 2026 the clock goes back at three. */
  @Test
  void daysKeepToTheClockOnTheWall() {
    Spread daily = new Spread(LocalDateTime.of(2026, 10, 24, 18, 0), BERLIN, 24);
    assertThat(daily.times(3))
        .containsExactly(
            Instant.parse("2026-10-24T16:00:00Z"),
            Instant.parse("2026-10-25T17:00:00Z"),
            Instant.parse("2026-10-26T17:00:00Z"));
  }

  @Test
  void hoursAreHoursThatPass() {
    Spread hourly = new Spread(LocalDateTime.of(2026, 10, 25, 1, 30), BERLIN, 1);
    List<Instant> times = hourly.times(4);
    for (int i = 1; i < times.size(); i++) {
      assertThat(Duration.between(times.get(i - 1), times.get(i))).isEqualTo(Duration.ofHours(1));
    }
  }

  /** On 29 March 2026 there is no half past two; what was meant for then comes right after. */
  @Test
  void aTimeThatThereIsNotIsMovedOn() {
    assertThat(new Spread(LocalDateTime.of(2026, 3, 28, 2, 30), BERLIN, 24).times(2).get(1))
        .isEqualTo(Instant.parse("2026-03-29T01:30:00Z"));
  }

  @Test
  void allAtOnceIsAllAtOnce() {
    assertThat(new Spread(LocalDateTime.of(2026, 1, 1, 0, 0), BERLIN, 0).times(3).stream())
        .containsOnly(Instant.parse("2025-12-31T23:00:00Z"));
    assertThat(new Spread(LocalDateTime.of(2026, 1, 1, 0, 0), BERLIN, 0).times(0)).isEmpty();
  }

  @Test
  void timesThatNobodyMeansAreRefused() {
    LocalDateTime now = LocalDateTime.of(2026, 1, 1, 0, 0);
    assertThatThrownBy(() -> new Spread(now, BERLIN, -1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Spread(now, BERLIN, 9_000))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new Spread(now.withYear(9_999), BERLIN, 24))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void patienceGrowsAndEnds() {
    for (int tries = 1; tries < 5; tries++) {
      assertThat(Patience.after(tries + 1).orElseThrow())
          .isGreaterThan(Patience.after(tries).orElseThrow());
    }
    assertThat(Patience.after(6)).isEmpty();
    Instant due = Instant.parse("2026-01-01T00:00:00Z");
    assertThat(Patience.isTooLate(due, due.plus(Duration.ofHours(12)))).isFalse();
    assertThat(Patience.isTooLate(due, due.plus(Duration.ofHours(13)))).isTrue();
  }
}
