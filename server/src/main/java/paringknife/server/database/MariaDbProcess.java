package paringknife.server.database;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.time.Duration;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.util.FileSystemUtils;
import paringknife.media.process.ChildProcess;
import paringknife.media.store.NoRoom;

/**
 * MariaDB from Debian's package, run for us alone: its own data directory, on loopback, on one port
 * that stays, with a password made at its first start. A server left over from a killed run is
 * stopped first; one that dies is brought back.
 */
public final class MariaDbProcess implements Database {
  private static final Logger LOG = LoggerFactory.getLogger(MariaDbProcess.class);
  private static final String NAME = "paring_knife";
  private static final String USER = "paring";
  private static final Duration START_LIMIT = Duration.ofSeconds(60);
  private static final Duration STOP_LIMIT = Duration.ofSeconds(4);
  private static final Duration LEFT_OVER_LIMIT = Duration.ofSeconds(30);
  private static final Duration BREATH = Duration.ofMillis(500);

  /** Less than this and it could not even open its log, bytes. */
  private static final long LEAST_ROOM = 50_000_000;

  private final Path home;
  private final int port;
  private final String password;
  private final Thread watch;
  private volatile Process process;
  private volatile boolean closed;
  private volatile Consumer<Boolean> onChange = answers -> {};

  private MariaDbProcess(Path home, int port, String password, Process process) {
    this.home = home;
    this.port = port;
    this.password = password;
    this.process = process;
    this.watch = new Thread(this::bringBack, "database-watch");
    watch.setDaemon(true);
    watch.start();
  }

  /**
   * Starts it; makes the data directory at the first start.
   *
   * @param wantedPort on loopback; 0 for the one it had before, or any free one at the first start
   * @throws IllegalArgumentException with a message for the user when the port is taken
   */
  public static MariaDbProcess start(Path directory, int wantedPort) {
    try {
      Path home = directory.toAbsolutePath();
      Files.createDirectories(home);
      if (NoRoom.freeBytes(home) < LEAST_ROOM) {
        throw new NoRoom(home);
      }
      stopLeftOver(home);
      Files.createDirectories(temporary(home));
      if (!Files.exists(data(home).resolve("mysql"))) {
        install(home);
      }
      String password = password(home.resolve("password"));
      writePrivate(home.resolve("init.sql"), initSql(password));
      int port = port(home.resolve("port"), wantedPort);
      Process process = launch(home, port);
      try {
        awaitPort(process, port, log(home));
      } catch (IOException | RuntimeException e) {
        process.destroyForcibly();
        throw e;
      }
      return new MariaDbProcess(home, port, password, process);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Made beside its place and moved there when it is whole: a stop in the middle leaves none. */
  private static void install(Path home) throws IOException {
    Path made = home.resolve("installing");
    FileSystemUtils.deleteRecursively(made);
    ChildProcess.run(
        List.of(
            "mariadb-install-db",
            "--no-defaults",
            "--user=" + user(),
            "--datadir=" + made,
            "--tmpdir=" + temporary(home),
            "--auth-root-authentication-method=normal",
            "--skip-test-db"),
        null,
        Duration.ofMinutes(2));
    Files.move(made, data(home), StandardCopyOption.ATOMIC_MOVE);
  }

  private static Process launch(Path home, int port) throws IOException {
    if (ProgramEnd.hasBegun()) {
      throw new IOException("The program is being ended.");
    }
    return new ProcessBuilder(
            "mariadbd",
            "--no-defaults",
            "--user=" + user(),
            "--datadir=" + data(home),
            "--tmpdir=" + temporary(home),
            "--bind-address=127.0.0.1",
            "--port=" + port,
            "--socket=" + socket(home),
            "--pid-file=" + home.resolve("pid"),
            "--init-file=" + home.resolve("init.sql"),
            "--skip-name-resolve",
            "--character-set-server=utf8mb4",
            "--innodb-flush-log-at-trx-commit=1",
            "--max-allowed-packet=256M")
        .redirectErrorStream(true)
        .redirectOutput(log(home).toFile())
        .start();
  }

  private static Path data(Path home) {
    return home.resolve("data");
  }

  /**
   * Of its own: a MariaDB that starts clears temporary tables out of its folder, whoever made them.
   */
  private static Path temporary(Path home) {
    return home.resolve("tmp");
  }

  private static Path log(Path home) {
    return home.resolve("mariadb.log");
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

  /** A left over server is one that works on this very data, whatever its process number is. */
  private static void stopLeftOver(Path home) throws IOException {
    Path pidFile = home.resolve("pid");
    if (!Files.exists(pidFile)) {
      return;
    }
    String text = Files.readString(pidFile).trim();
    if (text.matches("\\d{1,18}")) {
      Optional<ProcessHandle> left =
          ProcessHandle.of(Long.parseLong(text)).filter(p -> worksOn(p, data(home)));
      if (left.isPresent()) {
        left.get().destroy();
        left.get()
            .onExit()
            .completeOnTimeout(null, LEFT_OVER_LIMIT.toSeconds(), TimeUnit.SECONDS)
            .join();
        left.filter(ProcessHandle::isAlive).ifPresent(ProcessHandle::destroyForcibly);
      }
    }
    Files.deleteIfExists(pidFile);
  }

  private static boolean worksOn(ProcessHandle process, Path data) {
    return Arrays.asList(process.info().arguments().orElse(new String[0]))
        .contains("--datadir=" + data);
  }

  /** The port stays the same, so that workers elsewhere find the database again. */
  private static int port(Path file, int wanted) throws IOException {
    if (wanted != 0) {
      if (!isFree(wanted)) {
        throw new IllegalArgumentException(
            "Port "
                + wanted
                + ", which the database is to have, is taken by another program; choose one with"
                + " --database-port.");
      }
      Files.writeString(file, Integer.toString(wanted));
      return wanted;
    }
    String before = Files.exists(file) ? Files.readString(file).trim() : "";
    if (before.matches("\\d{1,5}") && isFree(Integer.parseInt(before))) {
      return Integer.parseInt(before);
    }
    try (ServerSocket probe = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      Files.writeString(file, Integer.toString(probe.getLocalPort()));
      return probe.getLocalPort();
    }
  }

  private static boolean isFree(int port) {
    try (ServerSocket probe = new ServerSocket()) {
      probe.setReuseAddress(true);
      probe.bind(new java.net.InetSocketAddress(InetAddress.getLoopbackAddress(), port), 1);
      return true;
    } catch (IOException e) {
      return false;
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
        pause(Duration.ofMillis(50));
      }
    }
    process.destroyForcibly();
    throw new IOException("MariaDB did not answer within a minute: see " + log);
  }

  private static void pause(Duration time) {
    try {
      Thread.sleep(time.toMillis());
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  @Override
  public void onChange(Consumer<Boolean> told) {
    onChange = told;
  }

  private void bringBack() {
    while (!closed) {
      try {
        process.waitFor();
        if (closed) {
          return;
        }
        LOG.warn("the database has ended; it is being brought back");
        onChange.accept(false);
        Process next = launch(home, port);
        process = next;
        if (closed) {
          next.destroyForcibly();
          return;
        }
        awaitPort(next, port, log(home));
        LOG.info("the database is back");
        onChange.accept(true);
      } catch (InterruptedException e) {
        return;
      } catch (IOException | RuntimeException e) {
        LOG.error("the database could not be brought back; it is tried again", e);
        pause(BREATH);
      }
    }
  }

  /** How a database on this machine is reached. */
  public record Access(int port, String userName, String password) {
    public String name() {
      return NAME;
    }

    public String url() {
      return MariaDbProcess.url(port);
    }
  }

  public Access access() {
    return new Access(port, userName(), password);
  }

  /** The one that somebody else has started on a directory; empty where none runs. */
  public static Optional<Access> running(Path directory) throws IOException {
    Path home = directory.toAbsolutePath();
    Path pid = home.resolve("pid");
    String id = Files.exists(pid) ? Files.readString(pid).trim() : "";
    boolean runs =
        id.matches("\\d{1,18}")
            && ProcessHandle.of(Long.parseLong(id)).filter(p -> worksOn(p, data(home))).isPresent();
    if (!runs) {
      return Optional.empty();
    }
    return Optional.of(
        new Access(
            Integer.parseInt(Files.readString(home.resolve("port")).trim()),
            USER,
            Files.readString(home.resolve("password")).trim()));
  }

  @Override
  public String url() {
    return url(port);
  }

  private static String url(int port) {
    return "jdbc:mariadb://127.0.0.1:"
        + port
        + "/"
        + NAME
        + "?useBulkStmts=false&connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true"
        + "&connectTimeout=1000";
  }

  @Override
  public String userName() {
    return USER;
  }

  @Override
  public String password() {
    return password;
  }

  public long pid() {
    return process.pid();
  }

  /**
   * Stops cleanly, waiting at most {@link #STOP_LIMIT}; what it has not written it does at its next
   * start.
   */
  @Override
  public void close() {
    closed = true;
    watch.interrupt();
    Process last = process;
    last.destroy();
    try {
      if (!last.waitFor(STOP_LIMIT.toMillis(), TimeUnit.MILLISECONDS)) {
        last.destroyForcibly();
      }
    } catch (InterruptedException e) {
      last.destroyForcibly();
      Thread.currentThread().interrupt();
    }
  }
}
