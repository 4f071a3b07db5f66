package paringknife.server.commands;

import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Ends what was started when the process is told to stop, and with it every program that it has
 * started, at whatever moment that is: also while it is still starting.
 */
final class Stopping {
  private static final int TRIES = 20;
  private static final Duration BREATH = Duration.ofMillis(50);
  private static final Duration WAIT = Duration.ofMillis(500);

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
      endDescendants();
      stopped.countDown();
    }
  }

  /** Until none is left: some may be started while they are looked for. */
  private static void endDescendants() {
    for (int i = 0; i < TRIES; i++) {
      List<ProcessHandle> left = held();
      if (left.isEmpty() && i > 0) {
        return;
      }
      left.forEach(ProcessHandle::destroyForcibly);
      left.forEach(
          p -> p.onExit().completeOnTimeout(null, WAIT.toMillis(), TimeUnit.MILLISECONDS).join());
      LockSupport.parkNanos(BREATH.toNanos());
    }
  }

  /**
   * All descendants, none of which goes on: what one of them started after it was looked at and
   * before its end would be nobody's, and live on.
   */
  private static List<ProcessHandle> held() {
    List<ProcessHandle> held = List.of();
    for (int i = 0; i < TRIES; i++) {
      List<ProcessHandle> found = ProcessHandle.current().descendants().toList();
      if (held.containsAll(found)) {
        return found;
      }
      hold(found);
      held = found;
    }
    return held;
  }

  private static void hold(List<ProcessHandle> processes) {
    String ids = processes.stream().map(p -> " " + p.pid()).collect(Collectors.joining());
    try {
      // Of those that have ended meanwhile it complains.
      new ProcessBuilder("sh", "-c", "kill -STOP" + ids + " 2>/dev/null").start().waitFor();
    } catch (IOException e) {
      // Then they are ended as they are.
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  void await() throws InterruptedException {
    stopped.await();
  }
}
