package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.QueuePace.Worked;

/** Reckoned by hand, and second by second. */
class QueuePaceTest {
  private static Worked worked(long job, double from, double to, double work) {
    return new Worked(job, from, to, work);
  }

  /** Nothing was done from 30 to 50. */
  @Test
  void whatAllHandsDoInASecondIsTakenOverTheTimesInWhichAnyWorked() {
    QueuePace pace =
        new QueuePace(List.of(worked(1, 0, 20, 10), worked(2, 10, 30, 20), worked(3, 50, 60, 30)));
    assertThat(pace.workPerSecond()).hasValue(60.0 / 40);
    assertThat(new QueuePace(List.of()).workPerSecond()).isEmpty();
    assertThat(new QueuePace(List.of(worked(1, 5, 5, 0))).workPerSecond()).isEmpty();
  }

  @Test
  void besideAJobAreOthersThanItself() {
    QueuePace pace =
        new QueuePace(
            List.of(
                worked(1, 0, 100, 1),
                worked(1, 0, 80, 1),
                worked(2, 10, 30, 1),
                worked(3, 20, 40, 1),
                worked(4, 90, 200, 1)));
    assertThat(pace.besides(1, 0, 100)).isEqualTo(40);
    assertThat(pace.besides(1, 15, 95)).isEqualTo(30);
    assertThat(pace.besides(2, 10, 30)).isEqualTo(20);
    assertThat(pace.besides(1, 50, 60)).isZero();
  }

  @Property
  void secondBySecondItIsTheSame(
      @ForAll @Size(max = 12) List<@IntRange(max = 50) Integer> starts,
      @ForAll @IntRange(max = 20) int length) {
    List<Worked> all = starts.stream().map(s -> worked(s % 3, s, s + length, 1)).toList();
    long seconds = 0;
    for (int second = 10; second < 60; second++) {
      int at = second;
      if (all.stream().anyMatch(w -> w.job() != 0 && w.from() <= at && at < w.to())) {
        seconds++;
      }
    }
    assertThat(new QueuePace(all).besides(0, 10, 60)).isEqualTo(seconds);
  }
}
