package paringknife.server.work;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Locale;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.TransactionException;
import paringknife.media.process.ProcessFailed;
import paringknife.media.store.NoRoom;

/**
 * Why work in the background did not go through.
 *
 * @param message in the producer's words
 * @param mostTries how often it is tried before it is given up; 1 where it cannot go through later
 * @param pause before it is tried again
 * @param isWaiting whether it waits for something, however often, and nothing is wrong with it
 */
public record WorkProblem(String message, int mostTries, Duration pause, boolean isWaiting) {
  private static final int USUAL_TRIES = 3;

  /** What is stopped from outside has no fault of its own. */
  private static final int TRIES_WHEN_KILLED = 60;

  private static final Duration USUAL_PAUSE = Duration.ofSeconds(3);
  private static final Duration PAUSE_WHEN_KILLED = Duration.ofMillis(200);
  private static final Duration UNTIL_THERE_IS_ROOM = Duration.ofSeconds(10);

  /**
   * @param place where the work writes
   */
  public static WorkProblem of(RuntimeException e, Path place) {
    if (e instanceof NoRoom || saysDiskFull(e)) {
      return new WorkProblem(NoRoom.message(place), Integer.MAX_VALUE, UNTIL_THERE_IS_ROOM, true);
    }
    if (e instanceof ProcessFailed failed) {
      return failed.wasKilled()
          ? new WorkProblem(
              "A program that this needs was stopped again and again by something else on the"
                  + " server.",
              TRIES_WHEN_KILLED,
              PAUSE_WHEN_KILLED,
              false)
          : once(failed.getMessage());
    }
    if (e instanceof DataAccessException || e instanceof TransactionException) {
      return again("The database did not answer.");
    }
    if (e.getCause() instanceof IOException cause) {
      return again("A file could not be read or written: " + fileOf(cause));
    }
    String message = e.getMessage();
    return once(
        message == null || message.isBlank() ? "Something went wrong on the server." : message);
  }

  private static WorkProblem once(String message) {
    return new WorkProblem(message, 1, USUAL_PAUSE, false);
  }

  private static WorkProblem again(String message) {
    return new WorkProblem(message, USUAL_TRIES, USUAL_PAUSE, false);
  }

  /**
   * Whether it is tried once more.
   *
   * @param errors how often it has failed
   */
  public boolean isTriedAgainAfter(int errors) {
    return errors < mostTries;
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
