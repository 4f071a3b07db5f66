package paringknife.server.work;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.NoRoom;

/**
 * Why work in the background did not go through.
 *
 * @param message in the producer's words
 * @param mayPass whether it may go through when it is tried again
 * @param waitsFor how long to wait before that; empty for a moment
 */
public record WorkProblem(String message, boolean mayPass, Optional<Duration> waitsFor) {
  private static final Duration UNTIL_THERE_IS_ROOM = Duration.ofSeconds(10);

  /**
   * @param place where the work writes
   */
  public static WorkProblem of(RuntimeException e, Path place) {
    if (e instanceof NoRoom || saysDiskFull(e)) {
      return new WorkProblem(NoRoom.message(place), true, Optional.of(UNTIL_THERE_IS_ROOM));
    }
    if (e instanceof ProcessFailed failed) {
      return failed.wasKilled()
          ? new WorkProblem(
              "A program that this needs was stopped again and again by something else on the"
                  + " server.",
              true,
              Optional.empty())
          : new WorkProblem(failed.getMessage(), false, Optional.empty());
    }
    if (e instanceof DataAccessException || e instanceof TransactionException) {
      return new WorkProblem("The database did not answer.", true, Optional.empty());
    }
    if (e.getCause() instanceof IOException cause) {
      return new WorkProblem(
          "A file could not be read or written: " + fileOf(cause), true, Optional.empty());
    }
    String message = e.getMessage();
    return new WorkProblem(
        message == null || message.isBlank() ? "Something went wrong on the server." : message,
        false,
        Optional.empty());
  }

  private static boolean saysDiskFull(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      String text = String.valueOf(cause.getMessage()).toLowerCase(Locale.ROOT);
      if (text.contains("no space left on device")) {
        return true;
      }
    }
    return false;
  }

  /** Names of files are the producer's; folders of the server are not for showing. */
  private static String fileOf(IOException e) {
    String text = String.valueOf(e.getMessage());
    return text.substring(text.lastIndexOf('/') + 1);
  }
}
