package paringknife.server.database;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import paringknife.media.process.ChildProcess;

/**
 * MariaDB from Debian's package, run for us alone: its own data directory, on loopback, with a
 * password made at its first start. A server left over from a killed run is stopped first.
 */
public final class MariaDbProcess implements AutoCloseable {
  private static final String NAME = "paring_knife";
  private static final Duration START_LIMIT = Duration.ofSeconds(60);

  private final Process process;
  private final int port;
  private final String password;

  private MariaDbProcess(Process process, int port, String password) {
    this.process = process;
    this.port = port;
    this.password = password;
  }

  /** Starts on a free loopback port; makes the data directory at the first start. */
  public static MariaDbProcess start(Path directory) {
    try {
      Path home = directory.toAbsolutePath();
      Files.createDirectories(home);
      Path data = home.resolve("data");
      stopLeftOver(home.resolve("pid"));
      if (!Files.exists(data.resolve("mysql"))) {
        ChildProcess.run(
            List.of(
                "mariadb-install-db",
                "--no-defaults",
                "--user=" + user(),
                "--datadir=" + data,
                "--auth-root-authentication-method=normal",
                "--skip-test-db"),
            null,
            Duration.ofMinutes(2));
      }
      String password = password(home.resolve("password"));
      Path init = home.resolve("init.sql");
      writePrivate(init, initSql(password));
      int port = freePort();
      Process process =
          new ProcessBuilder(
                  "mariadbd",
                  "--no-defaults",
                  "--user=" + user(),
                  "--datadir=" + data,
                  "--bind-address=127.0.0.1",
                  "--port=" + port,
                  "--socket=" + socket(home),
                  "--pid-file=" + home.resolve("pid"),
                  "--init-file=" + init,
                  "--skip-name-resolve",
                  "--character-set-server=utf8mb4",
                  "--innodb-flush-log-at-trx-commit=1",
                  "--max-allowed-packet=256M")
              .redirectErrorStream(true)
              .redirectOutput(home.resolve("mariadb.log").toFile())
              .start();
      awaitPort(process, port, home.resolve("mariadb.log"));
      return new MariaDbProcess(process, port, password);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String user() {
    return System.getProperty("user.name");
  }

  /** Socket paths have a short limit, so the socket lies in the temporary directory. */
  private static Path socket(Path home) {
    return Path.of(
        System.getProperty("java.io.tmpdir"),
        "pk-" + Integer.toHexString(home.hashCode()) + ".sock");
  }

  private static String initSql(String password) {
    return "CREATE DATABASE IF NOT EXISTS "
        + NAME
        + " CHARACTER SET utf8mb4;\n"
        + "CREATE OR REPLACE USER 'paring'@'127.0.0.1' IDENTIFIED BY '"
        + password
        + "';\n"
        + "GRANT ALL ON "
        + NAME
        + ".* TO 'paring'@'127.0.0.1';\n"
        + "ALTER USER 'root'@'localhost' IDENTIFIED BY '"
        + password
        + "';\n";
  }

  private static String password(Path file) throws IOException {
    if (!Files.exists(file)) {
      byte[] random = new byte[16];
      new SecureRandom().nextBytes(random);
      writePrivate(file, HexFormat.of().formatHex(random));
    }
    return Files.readString(file).trim();
  }

  private static void writePrivate(Path file, String text) throws IOException {
    Files.deleteIfExists(file);
    Files.createFile(
        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
    Files.writeString(file, text);
  }

  private static void stopLeftOver(Path pidFile) throws IOException {
    if (!Files.exists(pidFile)) {
      return;
    }
    String text = Files.readString(pidFile).trim();
    if (text.matches("\\d+")) {
      Optional<ProcessHandle> left = ProcessHandle.of(Long.parseLong(text));
      if (left.isPresent() && left.get().info().command().orElse("").contains("mariadbd")) {
        left.get().destroy();
        left.get().onExit().completeOnTimeout(null, 30, TimeUnit.SECONDS).join();
      }
    }
    Files.deleteIfExists(pidFile);
  }

  private static int freePort() throws IOException {
    try (ServerSocket probe = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return probe.getLocalPort();
    }
  }

  private static void awaitPort(Process process, int port, Path log) throws IOException {
    long until = System.nanoTime() + START_LIMIT.toNanos();
    while (System.nanoTime() < until) {
      if (!process.isAlive()) {
        throw new IOException("MariaDB did not start: see " + log);
      }
      try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port)) {
        return;
      } catch (IOException notYet) {
        pause();
      }
    }
    process.destroyForcibly();
    throw new IOException("MariaDB did not answer within a minute: see " + log);
  }

  private static void pause() {
    try {
      Thread.sleep(50);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  public String url() {
    return "jdbc:mariadb://127.0.0.1:"
        + port
        + "/"
        + NAME
        + "?useBulkStmts=false&connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true";
  }

  public String userName() {
    return "paring";
  }

  public String password() {
    return password;
  }

  public long pid() {
    return process.pid();
  }

  /** Stops cleanly, waiting at most half a minute. */
  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(30, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
