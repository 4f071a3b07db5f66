package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.QueueForecast.Job;

/** Reckoned by hand; the worked example of list scheduling is Graham's (1969), figure 1's kind. */
class QueueForecastTest {
  private static Job waits(double work) {
    return new Job(work, 0, 0, 0, 1, false);
  }

  private static Job goesOn(double work, double progress, double spent, double besides) {
    return new Job(work, progress, spent, besides, 1, true);
  }

  private static List<Double> left(double workPerSecond, int hands, Job... jobs) {
    return new QueueForecast(workPerSecond, hands).secondsLeft(List.of(jobs));
  }

  /** The last one has the processors for itself from the sixth second on. */
  @Test
  void whoeverIsFreeFirstTakesTheNext() {
    assertThat(left(1, 2, waits(3), waits(1), waits(2), waits(2.5)))
        .containsExactly(6.0, 2.0, 6.0, 6 + 5 / 2.4);
  }

  /** A quarter took 20 s, by which the rest takes 60; as others go it would take 15. */
  @Test
  void itsOwnSpeedTellsAsMuchAsIsDoneOfIt() {
    assertThat(left(0.5, 1, goesOn(10, 0.25, 20, 20))).containsExactly(0.25 * 60 + 0.75 * 15);
    assertThat(left(0.5, 1, goesOn(10, 0, 3, 0), waits(1))).containsExactly(20.0, 22.0);
    assertThat(left(0.5, 1, goesOn(10, 1, 30, 0))).containsExactly(0.0);
  }

  /** It had the processors for itself for as long as no other was worked on. */
  @Test
  void whatWentOnAloneIsSlowerBesideAnother() {
    Job alone = goesOn(10, 0.5, 10 / 2.4, 0);
    assertThat(left(1, 2, alone).get(0)).isCloseTo(10 / 2.4, within(1e-9));
    assertThat(left(1, 2, alone, waits(100)).get(0)).isCloseTo(10, within(1e-9));
    Job beside = goesOn(10, 0.5, 10, 10);
    assertThat(left(1, 2, beside).get(0)).isCloseTo(10 / 2.4, within(1e-9));
  }

  /** Of two seconds beside another, which is all that is left, or a fifth of ten. */
  @Test
  void filesAreGoneThroughHardlyFasterAlone() {
    Job encoded = new Job(5, 0.8, 8, 8, 0.8, true);
    assertThat(left(1, 2, encoded).get(0)).isCloseTo(2 / 1.8, within(1e-9));
    Job waits = new Job(5, 0, 0, 0, 0.8, false);
    assertThat(left(1, 2, waits).get(0)).isCloseTo(8 / 2.4 + 2 / 1.8, within(1e-9));
    assertThat(left(1, 2, encoded, waits).get(0)).isCloseTo(2, within(1e-9));
    assertThat(left(1, 2, encoded, waits).get(1)).isCloseTo(2 + 6 / 2.4 + 2 / 1.8, within(1e-9));
  }

  @Test
  void moreUnderWayThanHandsAreTakenAsTheyAre() {
    Job half = goesOn(4, 0.5, 4, 4);
    assertThat(left(0.5, 1, half, half, waits(1))).containsExactly(4.0, 4.0, 6.0);
    assertThat(new QueueForecast(2, 0).secondsLeft(List.of())).isEmpty();
  }
}
