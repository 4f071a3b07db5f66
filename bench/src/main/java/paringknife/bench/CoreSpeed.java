package paringknife.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/**
 * How fast a core of this machine is from moment to moment. Where others share the machine, the
 * same work takes twice as long a minute later, and no forecast can know. The same piece of work is
 * done every second; what tells is the time on the processor, not on the clock, less what the
 * machine says it was kept waiting ("steal" in Linux's proc(5)).
 */
final class CoreSpeed implements AutoCloseable {
  private static final int PIECE_BYTES = 3_000_000;
  private static final int STEAL = 8;
  private static final Path STAT = Path.of("/proc/stat");

  /** As fast as the machine was from a time on, in whatever unit; seconds on this run's clock. */
  private record Sample(double from, double speed) {}

  private final List<Sample> samples = new ArrayList<>();
  private final long began = System.nanoTime();
  private final ScheduledExecutorService clock =
      Executors.newSingleThreadScheduledExecutor(
          work -> {
            Thread thread = new Thread(work, "core-speed");
            thread.setDaemon(true);
            return thread;
          });
  private final byte[] piece = new byte[PIECE_BYTES];
  private long stolenTicks;
  private long allTicks;

  static CoreSpeed watch() {
    CoreSpeed speed = new CoreSpeed();
    speed.clock.scheduleWithFixedDelay(speed::take, 0, 1, TimeUnit.SECONDS);
    return speed;
  }

  /** Seconds on this run's clock. */
  double now() {
    return (System.nanoTime() - began) / 1e9;
  }

  private void take() {
    double kept = keptShare();
    long before = ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime();
    try {
      MessageDigest.getInstance("SHA-256").digest(piece);
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
    long spent = ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime() - before;
    synchronized (this) {
      samples.add(new Sample(now(), kept / Math.max(1, spent)));
    }
  }

  /** Of the processors' time since the last call, what others did not take; 1 where unknown. */
  private double keptShare() {
    if (!Files.isReadable(STAT)) {
      return 1;
    }
    try {
      String[] fields = Files.readAllLines(STAT).get(0).split(" +");
      long all = 0;
      for (int i = 1; i <= STEAL; i++) {
        all += Long.parseLong(fields[i]);
      }
      long stolen = Long.parseLong(fields[STEAL]);
      double share =
          allTicks == 0 || all == allTicks
              ? 1
              : 1 - (stolen - stolenTicks) / (double) (all - allTicks);
      stolenTicks = stolen;
      allTicks = all;
      return share;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** On average between two times, in whatever unit; more than 0 once a sample was taken. */
  synchronized double between(double from, double to) {
    double sum = 0;
    double seconds = 0;
    for (int i = 0; i < samples.size(); i++) {
      double begins = Math.max(from, i == 0 ? 0 : samples.get(i).from());
      double ends = Math.min(to, i + 1 < samples.size() ? samples.get(i + 1).from() : to);
      if (ends > begins) {
        sum += samples.get(i).speed() * (ends - begins);
        seconds += ends - begins;
      }
    }
    return seconds > 0 ? sum / seconds : samples.get(samples.size() - 1).speed();
  }

  @Override
  public void close() {
    clock.shutdownNow();
  }
}
