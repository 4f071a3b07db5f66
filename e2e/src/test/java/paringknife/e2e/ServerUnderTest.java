package paringknife.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The real server as a process that can be killed. */
final class ServerUnderTest implements AutoCloseable {
  private static final Pattern READY = Pattern.compile("ready: (http://127\\.0\\.0\\.1:\\d+)");

  private final Path data;
  private final Path media;
  private Process process;
  private String address = "";

  ServerUnderTest(Path data, Path media) throws IOException, InterruptedException {
    this.data = data;
    this.media = media;
    start();
  }

  void start() throws IOException, InterruptedException {
    start(0);
  }

  /** Starts on a port of its own choice (0) or where it was before. */
  void start(int port) throws IOException, InterruptedException {
    Path log = Files.createTempFile("server", ".log");
    process =
        Command.start(
            log,
            "serve",
            "--data",
            data.toString(),
            "--media",
            media.toString(),
            "--port",
            Integer.toString(port),
            "--shelve",
            media.toString());
    for (int i = 0; i < 3_000; i++) {
      Matcher ready = READY.matcher(Files.readString(log));
      if (ready.find()) {
        address = ready.group(1);
        return;
      }
      if (!process.isAlive()) {
        break;
      }
      Thread.sleep(100);
    }
    throw new IOException("the server did not start:\n" + Files.readString(log));
  }

  /** As {@code kill -9}: server, database and all they started. */
  void kill() throws InterruptedException {
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
    process.waitFor();
  }

  /** As Ctrl-C at a terminal; answers the exit status. */
  int interrupt() throws IOException, InterruptedException {
    new ProcessBuilder("kill", "-INT", Long.toString(process.pid())).start().waitFor();
    if (!process.waitFor(120, TimeUnit.SECONDS)) {
      throw new IOException("the server did not stop");
    }
    return process.exitValue();
  }

  String address() {
    return address;
  }

  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(120, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
