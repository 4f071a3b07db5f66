package paringknife.server.commands;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import paringknife.server.database.Database;
import paringknife.server.database.MariaDbProcess;
import paringknife.server.database.OutsideDatabase;
import picocli.CommandLine.Option;

/** Where the database is: started here, or given from outside. */
final class DatabaseOptions {
  /** The password of a database that is given, in the environment where nobody else reads it. */
  private static final String PASSWORD = "PARING_KNIFE_DATABASE_PASSWORD";

  @Option(
      names = "--database",
      description =
          "JDBC address of a MariaDB that runs elsewhere; by default one is started here."
              + " Its password is taken from "
              + PASSWORD)
  private @Nullable String database;

  @Option(
      names = "--user",
      defaultValue = "paring",
      description = "of that database; ${DEFAULT-VALUE}")
  private String user = "";

  @Option(
      names = "--database-port",
      description = "of the database on loopback; by default the one it had before")
  private int port;

  static String password() {
    return System.getenv().getOrDefault(PASSWORD, "");
  }

  /**
   * The database.
   *
   * @param data whose database it is
   */
  Database open(Path data) {
    if (database != null) {
      return outside(data, database);
    }
    if (Files.exists(data.resolve(BackedUpFolders.OUTSIDE))) {
      throw new IllegalArgumentException(
          "The database of " + data + " runs elsewhere; say where with --database.");
    }
    return MariaDbProcess.start(data.resolve("mariadb"), port);
  }

  private Database outside(Path data, String address) {
    if (Files.isDirectory(data.resolve("mariadb"))) {
      throw new IllegalArgumentException(
          data + " has a database of its own; use another folder with one from outside.");
    }
    OutsideDatabase outside = OutsideDatabase.at(address, user, password());
    try {
      Files.createDirectories(data);
      Files.writeString(data.resolve(BackedUpFolders.OUTSIDE), "The database runs elsewhere.\n");
    } catch (IOException e) {
      outside.close();
      throw new IllegalArgumentException(data + " cannot be written to.");
    }
    return outside;
  }
}
