package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunningServerTest {
  /** Never one: an episode that is taken in for minutes would keep every rendering waiting. */
  @ParameterizedTest
  @CsvSource({"1, 2", "2, 2", "5, 2", "6, 3", "64, 3"})
  void aMachineDoesAsMuchAtATimeAsItHasProcessorsFor(int processors, int tasks) {
    assertThat(RunningServer.tasksAtATime(processors)).isEqualTo(tasks);
  }
}
