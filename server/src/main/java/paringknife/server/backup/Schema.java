package paringknife.server.backup;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Arrays;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationVersion;
import paringknife.server.database.MariaDbProcess;

/** Which of the scripts that change the tables have been run. */
final class Schema {
  private Schema() {}

  private static Flyway flyway(MariaDbProcess.Access database) {
    return Flyway.configure()
        .dataSource(database.url(), database.userName(), database.password())
        .load();
  }

  /** The number of the newest one. */
  static String of(MariaDbProcess.Access database) throws SQLException {
    try (Connection connection =
        DriverManager.getConnection(database.url(), database.userName(), database.password())) {
      connection.isValid(5);
    }
    MigrationInfo current = flyway(database).info().current();
    return current == null ? "0" : current.getVersion().getVersion();
  }

  /** Whether this build of the program knows a schema. */
  static boolean isKnown(String schema, MariaDbProcess.Access database) {
    MigrationVersion wanted = MigrationVersion.fromVersion(schema);
    return schema.equals("0")
        || Arrays.stream(flyway(database).info().all())
            .filter(m -> !m.getState().name().startsWith("FUTURE"))
            .anyMatch(m -> wanted.equals(m.getVersion()));
  }
}
