package paringknife.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.dao.DataAccessResourceFailureException;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.NoRoom;

/** What is said of work that did not go through, and whether it is tried again. */
class WorkProblemTest {
  private static final Path PLACE = Path.of("/tmp");

  /** Exit status 137 is 128 and SIGKILL, as shells and Java count (POSIX, 2.8.2). */
  private static final int KILLED = 137;

  /** The three ways in which a full disk shows (ENOSPC, POSIX errno.h). */
  static Stream<RuntimeException> fullDisks() {
    String full = "No space left on device";
    return Stream.of(
        new NoRoom(PLACE),
        new UncheckedIOException(new IOException(full)),
        new ProcessFailed("ffmpeg", 1, "av_interleaved_write_frame(): " + full));
  }

  @ParameterizedTest
  @MethodSource("fullDisks")
  void aFullDiskIsSaidInMegabytesAndWaitedFor(RuntimeException e) {
    WorkProblem problem = WorkProblem.of(e, PLACE);
    assertThat(problem.message()).contains("disk is nearly full").containsPattern("\\d+ MB");
    assertThat(problem.isWaiting()).isTrue();
    assertThat(problem.isTriedAgainAfter(1_000)).isTrue();
  }

  @Test
  void whatWasKilledIsTriedAgainAndWhatFailedIsNot() {
    WorkProblem killed = WorkProblem.of(new ProcessFailed("ffmpeg", KILLED, ""), PLACE);
    assertThat(killed.isTriedAgainAfter(50)).isTrue();
    assertThat(killed.isTriedAgainAfter(60)).as("not for ever").isFalse();
    WorkProblem failed = WorkProblem.of(new ProcessFailed("ffmpeg", 1, "bad file"), PLACE);
    assertThat(failed.isTriedAgainAfter(1)).isFalse();
    WorkProblem away = WorkProblem.of(new DataAccessResourceFailureException("x"), PLACE);
    assertThat(away.isTriedAgainAfter(2)).isTrue();
    assertThat(away.isTriedAgainAfter(3)).isFalse();
  }

  @Test
  void noFolderOfTheServerIsShown() {
    RuntimeException lost =
        new UncheckedIOException(new NoSuchFileException("/srv/data/episodes/1/proxy.mp4"));
    assertThat(WorkProblem.of(lost, PLACE).message()).contains("proxy.mp4").doesNotContain("/srv");
    assertThat(WorkProblem.of(new IllegalStateException(), PLACE).message()).isNotBlank();
  }
}
