package paringknife.server.database;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Properties;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A MariaDB that somebody else runs. It is asked every second whether it answers, so that the page
 * says so when it does not.
 */
public final class OutsideDatabase implements Database {
  private static final Logger LOG = LoggerFactory.getLogger(OutsideDatabase.class);
  private static final String SCHEME = "jdbc:mariadb://";
  private static final long EVERY_MS = 1_000;
  private static final int PATIENCE_S = 2;

  /** Times are written in UTC, whatever zone either machine is in. */
  private static final String NEEDED =
      "useBulkStmts=false&connectionTimeZone=UTC&forceConnectionTimeZoneToSession=true"
          + "&connectTimeout=1000";

  private final String url;
  private final String userName;
  private final String password;
  private final Thread watch;
  private volatile Consumer<Boolean> onChange = answers -> {};

  private OutsideDatabase(String url, String userName, String password) {
    this.url = url;
    this.userName = userName;
    this.password = password;
    this.watch = new Thread(this::ask, "database-watch");
    watch.setDaemon(true);
  }

  /**
   * Goes to one.
   *
   * @param url JDBC address, with the name of the database, which must be there
   * @throws IllegalArgumentException when it does not answer, with a word about it
   */
  public static OutsideDatabase at(String url, String userName, String password) {
    OutsideDatabase database = new OutsideDatabase(address(url), userName, password);
    try {
      database.greet();
    } catch (SQLException e) {
      throw new IllegalArgumentException(
          "The database at "
              + bare(url)
              + " does not answer as "
              + userName
              + ": "
              + e.getMessage());
    }
    database.watch.start();
    return database;
  }

  /**
   * A JDBC address with what this program needs of its connections.
   *
   * @throws IllegalArgumentException when it is none of a MariaDB
   */
  public static String address(String url) {
    if (!url.startsWith(SCHEME) || url.indexOf('/', SCHEME.length()) < 0) {
      throw new IllegalArgumentException(
          "A database is named by " + SCHEME + "HOST:PORT/NAME, not by " + bare(url) + ".");
    }
    return url + (url.contains("?") ? "&" : "?") + NEEDED;
  }

  /** Without what may hold a password. */
  private static String bare(String url) {
    int query = url.indexOf('?');
    return query < 0 ? url : url.substring(0, query);
  }

  private void greet() throws SQLException {
    Properties who = new Properties();
    who.setProperty("user", userName);
    who.setProperty("password", password);
    try (Connection connection = DriverManager.getConnection(url, who)) {
      if (!connection.isValid(PATIENCE_S)) {
        throw new SQLException("it takes too long");
      }
    }
  }

  private void ask() {
    boolean answered = true;
    while (!Thread.currentThread().isInterrupted()) {
      boolean answers = answers();
      if (answers != answered) {
        LOG.warn(answers ? "the database is back" : "the database does not answer");
        onChange.accept(answers);
        answered = answers;
      }
      try {
        Thread.sleep(EVERY_MS);
      } catch (InterruptedException e) {
        return;
      }
    }
  }

  private boolean answers() {
    try {
      greet();
      return true;
    } catch (SQLException e) {
      return false;
    }
  }

  @Override
  public String url() {
    return url;
  }

  @Override
  public String userName() {
    return userName;
  }

  @Override
  public String password() {
    return password;
  }

  @Override
  public void onChange(Consumer<Boolean> told) {
    onChange = told;
  }

  /** Leaves it as it is. */
  @Override
  public void close() {
    watch.interrupt();
  }
}
