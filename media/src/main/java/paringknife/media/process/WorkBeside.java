package paringknife.media.process;

import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;

/** Work that goes on beside the thread that starts it, and does not outlive it. */
public final class WorkBeside implements AutoCloseable {
  private static final int ENDS_WITHIN_S = 5;

  private final ExecutorService threads;

  /**
   * @param name of its threads
   * @param most how much goes on at once
   */
  public WorkBeside(String name, int most) {
    threads =
        Executors.newFixedThreadPool(
            most,
            work -> {
              Thread thread = new Thread(work, name);
              thread.setDaemon(true);
              return thread;
            });
  }

  public <T> Future<T> start(Callable<T> work) {
    return threads.submit(work);
  }

  /**
   * Waits for what came of some work.
   *
   * @throws RuntimeException that it failed with
   */
  public static <T> T outcome(Future<T> work) {
    try {
      return work.get();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    } catch (ExecutionException e) {
      if (e.getCause() instanceof RuntimeException told) {
        throw told;
      }
      throw new IllegalStateException(e.getCause());
    }
  }

  /** Nobody writes any more when this is left, so that what lies half made can be removed. */
  @Override
  public void close() {
    threads.shutdownNow();
    try {
      threads.awaitTermination(ENDS_WITHIN_S, TimeUnit.SECONDS);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
