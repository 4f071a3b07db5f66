package paringknife.media.process;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * One run of another program: arguments as a list (never a shell), a time limit after which it is
 * killed, and both its outputs kept. Standard output is kept whole, so this is for small outputs;
 * streams of pictures have their own reader.
 */
public final class ChildProcess {
  private static final int MOST_OUTPUT = 256 * 1024 * 1024;

  /** What a finished program left. */
  public record Outcome(int exit, byte[] output, String errors) {
    public String text() {
      return new String(output, StandardCharsets.UTF_8);
    }
  }

  private ChildProcess() {}

  /**
   * Runs to the end.
   *
   * @param directory where it runs; null for the present one
   * @throws ProcessFailed when it exits other than 0, takes too long, or cannot be started
   */
  public static Outcome run(List<String> command, @Nullable Path directory, Duration limit) {
    Outcome outcome = runAnyExit(command, directory, limit);
    if (outcome.exit() != 0) {
      throw new ProcessFailed(command.get(0), outcome.exit(), outcome.errors());
    }
    return outcome;
  }

  /** Like {@link #run} but any exit status is an answer. */
  public static Outcome runAnyExit(List<String> command, @Nullable Path directory, Duration limit) {
    ProcessBuilder builder = new ProcessBuilder(command);
    if (directory != null) {
      builder.directory(directory.toFile());
    }
    try {
      return outcome(builder.start(), command.get(0), limit);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new Interrupted();
    }
  }

  private static Outcome outcome(Process process, String name, Duration limit)
      throws IOException, InterruptedException {
    try {
      process.getOutputStream().close();
      ByteArrayOutputStream errors = new ByteArrayOutputStream();
      Thread errorReader = reader(process.getErrorStream(), errors);
      Thread killer = killAfter(process, limit);
      byte[] output = process.getInputStream().readNBytes(MOST_OUTPUT);
      process.waitFor();
      killer.interrupt();
      errorReader.join();
      if (killer.getName().endsWith("fired")) {
        throw new ProcessFailed(name, -1, "took longer than " + limit.toSeconds() + " s");
      }
      return new Outcome(process.exitValue(), output, errors.toString(StandardCharsets.UTF_8));
    } finally {
      end(process);
    }
  }

  /**
   * Kills a process that still runs and waits until it is gone, so that it writes nothing more
   * where it worked; the thread's interruption is kept.
   */
  public static void end(Process process) {
    process.destroyForcibly();
    boolean interrupted = false;
    while (process.isAlive()) {
      try {
        process.waitFor();
      } catch (InterruptedException e) {
        interrupted = true;
      }
    }
    if (interrupted) {
      Thread.currentThread().interrupt();
    }
  }

  private static Thread reader(InputStream in, ByteArrayOutputStream into) {
    Thread thread =
        new Thread(
            () -> {
              try {
                in.transferTo(into);
              } catch (IOException e) {
                into.writeBytes(String.valueOf(e.getMessage()).getBytes(StandardCharsets.UTF_8));
              }
            },
            "child-errors");
    thread.setDaemon(true);
    thread.start();
    return thread;
  }

  /** Kills a process when the limit passes; interrupt the thread when the process has ended. */
  public static Thread killAfter(Process process, Duration limit) {
    Thread thread =
        new Thread(
            () -> {
              try {
                if (!process.waitFor(limit.toMillis(), TimeUnit.MILLISECONDS)) {
                  Thread.currentThread().setName("child-limit-fired");
                  process.destroyForcibly();
                }
              } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
              }
            },
            "child-limit");
    thread.setDaemon(true);
    thread.start();
    return thread;
  }
}
