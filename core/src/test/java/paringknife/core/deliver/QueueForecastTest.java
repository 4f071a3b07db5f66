package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.QueueForecast.Job;

/** Reckoned by hand; the worked example of list scheduling is Graham's (1969), figure 1's kind. */
class QueueForecastTest {
  private static Job waits(double work) {
    return new Job(work, 0, 0, false, false);
  }

  @Test
  void whoeverIsFreeFirstTakesTheNext() {
    List<Double> left =
        new QueueForecast(2, 2).secondsLeft(List.of(waits(3), waits(1), waits(2), waits(1)));
    assertThat(left).containsExactly(6.0, 2.0, 6.0, 8.0);
  }

  @Test
  void whatIsUnderWayTellsHowFastItGoesOnceATenthIsDone() {
    QueueForecast forecast = new QueueForecast(2, 1);
    Job slow = new Job(10, 0.25, 20, true, false);
    assertThat(forecast.secondsLeft(List.of(slow, waits(1)))).containsExactly(60.0, 62.0);
    Job begun = new Job(10, 0.05, 3, true, false);
    assertThat(forecast.secondsLeft(List.of(begun))).containsExactly(19.0);
  }

  /** A hand that makes three at once is one hand. */
  @Test
  void whatIsMadeBesideAnotherTakesNoHandOfItsOwn() {
    Job leader = new Job(4, 0.5, 10, true, false);
    Job follower = new Job(4, 0.5, 10, true, true);
    assertThat(
            new QueueForecast(2, 1)
                .secondsLeft(List.of(leader, follower, follower, waits(1), waits(1))))
        .containsExactly(10.0, 10.0, 10.0, 12.0, 14.0);
  }

  @Test
  void moreUnderWayThanHandsAreTakenAsTheyAre() {
    Job half = new Job(4, 0.5, 4, true, false);
    assertThat(new QueueForecast(2, 1).secondsLeft(List.of(half, half, waits(1))))
        .containsExactly(4.0, 4.0, 6.0);
    assertThat(new QueueForecast(2, 0).secondsLeft(List.of())).isEmpty();
  }
}
