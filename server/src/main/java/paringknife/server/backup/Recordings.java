package paringknife.server.backup;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.TreeSet;
import paringknife.server.database.MariaDbProcess;

/** The recordings that a database's episodes are of, named by where they lie. */
final class Recordings {
  private static final List<String> TABLES = List.of("episode", "episode_sound");

  private final MariaDbProcess.Access database;

  Recordings(MariaDbProcess.Access database) {
    this.database = database;
  }

  private Connection connect() throws SQLException {
    return DriverManager.getConnection(database.url(), database.userName(), database.password());
  }

  /** All of them, each once. */
  List<Path> all() throws SQLException {
    TreeSet<Path> all = new TreeSet<>();
    try (Connection connection = connect();
        Statement statement = connection.createStatement()) {
      for (String table : TABLES) {
        try (ResultSet found = statement.executeQuery("SELECT source FROM " + table)) {
          while (found.next()) {
            all.add(Path.of(found.getString(1)));
          }
        }
      }
    }
    return List.copyOf(all);
  }

  /** Those of one folder lie in another now. */
  void moved(Path from, Path to) throws SQLException {
    String before = from + "/";
    try (Connection connection = connect()) {
      for (String table : TABLES) {
        try (PreparedStatement moved =
            connection.prepareStatement(
                "UPDATE "
                    + table
                    + " SET source = CONCAT(?, SUBSTRING(source, ?)) WHERE LEFT(source, ?) = ?")) {
          moved.setString(1, to + "/");
          moved.setInt(2, before.length() + 1);
          moved.setInt(3, before.length());
          moved.setString(4, before);
          moved.executeUpdate();
        }
      }
    }
  }
}
