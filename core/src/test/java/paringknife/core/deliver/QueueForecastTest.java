package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.QueueForecast.Job;

/** Reckoned by hand; the worked example of list scheduling is Graham's (1969), figure 1's kind. */
class QueueForecastTest {
  private static Job waits(double work) {
    return new Job(work, 0, 0, false);
  }

  /**
   * The last one has the processors for itself from the sixth second on, and goes half as fast
   * again.
   */
  @Test
  void whoeverIsFreeFirstTakesTheNext() {
    List<Double> left =
        new QueueForecast(2, 2).secondsLeft(List.of(waits(3), waits(1), waits(2), waits(2.5)));
    assertThat(left).containsExactly(6.0, 2.0, 6.0, 6 + 5 / 1.5);
  }

  @Test
  void whatIsUnderWayTellsHowFastItGoesOnceATenthIsDone() {
    QueueForecast forecast = new QueueForecast(2, 1);
    Job slow = new Job(10, 0.25, 20, true);
    assertThat(forecast.secondsLeft(List.of(slow, waits(1)))).containsExactly(60.0, 62.0);
    Job begun = new Job(10, 0.05, 3, true);
    assertThat(forecast.secondsLeft(List.of(begun))).containsExactly(19.0);
  }

  /** What has gone on alone goes on as it did; another one that begins slows it down. */
  @Test
  void oneAloneIsFasterThanTwo() {
    QueueForecast forecast = new QueueForecast(2, 2);
    Job alone = new Job(10, 0.5, 30, true);
    assertThat(forecast.secondsLeft(List.of(alone))).containsExactly(30.0);
    assertThat(forecast.secondsLeft(List.of(alone, waits(100))).get(0)).isEqualTo(45.0);
    Job other = new Job(10, 0.5, 60, true);
    assertThat(forecast.secondsLeft(List.of(alone, other))).containsExactly(30.0, 50.0);
  }

  @Test
  void moreUnderWayThanHandsAreTakenAsTheyAre() {
    Job half = new Job(4, 0.5, 4, true);
    assertThat(new QueueForecast(2, 1).secondsLeft(List.of(half, half, waits(1))))
        .containsExactly(4.0, 4.0, 6.0);
    assertThat(new QueueForecast(2, 0).secondsLeft(List.of())).isEmpty();
  }
}
