package paringknife.server.commands;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;

/**
 * Ends what was started when the process is told to stop, and with it every program that it has
 * started, at whatever moment that is: also while it is still starting.
 */
final class Stopping {
  private final AtomicReference<@Nullable AutoCloseable> started = new AtomicReference<>();
  private final CountDownLatch stopped = new CountDownLatch(1);

  Stopping() {
    Runtime.getRuntime().addShutdownHook(new Thread(this::stop, "stop"));
  }

  /** Tells what is to be closed. */
  <T extends AutoCloseable> T of(T running) {
    started.set(running);
    return running;
  }

  private void stop() {
    AutoCloseable running = started.getAndSet(null);
    try {
      if (running != null) {
        running.close();
      }
    } catch (Exception e) {
      System.err.println("stopping: " + e.getMessage());
    } finally {
      ProcessHandle.current().descendants().forEach(ProcessHandle::destroyForcibly);
      stopped.countDown();
    }
  }

  void await() throws InterruptedException {
    stopped.await();
  }
}
