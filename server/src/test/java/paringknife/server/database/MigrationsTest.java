package paringknife.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.MigrationInfo;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A server that is stopped while it brings its tables up to date begins the script again that was
 * under way, and ends where one ends that was never stopped.
 */
class MigrationsTest {
  @TempDir Path folder;

  private MariaDbProcess database;
  private Connection connection;
  private Flyway flyway;

  @BeforeEach
  void bringUpToDate() throws SQLException {
    database = MariaDbProcess.start(folder, 0);
    connection =
        DriverManager.getConnection(database.url(), database.userName(), database.password());
    flyway =
        Flyway.configure()
            .dataSource(database.url(), database.userName(), database.password())
            .load();
    new Migrations().migrate(flyway);
  }

  @AfterEach
  void stop() throws SQLException {
    connection.close();
    database.close();
  }

  @Test
  void whatWasCutShortIsDoneAgain() throws Exception {
    Set<String> whole = tables();
    dropAll();
    for (MigrationInfo script : flyway.info().all()) {
      // All of it is done, and nothing says so yet.
      run(script.getScript());
      Flyway.configure()
          .configuration(flyway.getConfiguration())
          .target(script.getVersion())
          .load()
          .migrate();
    }
    assertThat(tables()).isEqualTo(whole);
  }

  /** Styles that shows had before styles had names: of no show, named as one that ships, spaced. */
  @Test
  void theStylesOfShowsAreThereUnderNames() throws Exception {
    dropAll();
    Flyway.configure().configuration(flyway.getConfiguration()).target("18").load().migrate();
    execute(
        "INSERT INTO house_style (show_name, style) VALUES ('', 'a'), ('Fireside', 'b'),"
            + " ('Slack  Water', 'c')");
    new Migrations().migrate(flyway);
    Map<String, String> kept = new TreeMap<>();
    try (Statement statement = connection.createStatement();
        ResultSet rows =
            statement.executeQuery(
                "SELECT h.show_name, n.name, n.style FROM house_style h"
                    + " JOIN named_style n ON n.name = h.style_name")) {
      while (rows.next()) {
        kept.put(rows.getString(1), rows.getString(2) + ": " + rows.getString(3));
      }
    }
    assertThat(kept)
        .isEqualTo(
            Map.of(
                "",
                "No show: a",
                "Fireside",
                "Fireside (own): b",
                "Slack  Water",
                "Slack Water: c"));
  }

  @Test
  void whatFailedIsTriedAgain() throws Exception {
    execute(
        "UPDATE flyway_schema_history SET success = 0, checksum = 1"
            + " ORDER BY installed_rank DESC LIMIT 1");
    new Migrations().migrate(flyway);
    assertThat(flyway.info().pending()).isEmpty();
    flyway.validate();
  }

  /** An older build that is started by mistake does not forget what a newer one has done. */
  @Test
  void whatANewerBuildHasDoneIsKept() throws Exception {
    execute(
        "INSERT INTO flyway_schema_history SELECT installed_rank + 1, '900', description, type,"
            + " 'V900__later.sql', checksum, installed_by, installed_on, execution_time, success"
            + " FROM flyway_schema_history ORDER BY installed_rank DESC LIMIT 1");
    new Migrations().migrate(flyway);
    assertThat(read("SELECT version FROM flyway_schema_history WHERE type = 'SQL'"))
        .contains("900");
    assertThat(read("SELECT type FROM flyway_schema_history")).doesNotContain("DELETE");
  }

  private void run(String script) throws Exception {
    try (InputStream in = getClass().getResourceAsStream("/db/migration/" + script)) {
      String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
      for (String statement : text.split(";\\s*(?:\\R|$)")) {
        execute(statement);
      }
    }
  }

  private void execute(String sql) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  private void dropAll() throws SQLException {
    execute("SET FOREIGN_KEY_CHECKS = 0");
    for (String table :
        read("SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE()")) {
      if (table.equals("flyway_schema_history")) {
        execute("DELETE FROM " + table);
      } else {
        execute("DROP TABLE `" + table + "`");
      }
    }
    execute("SET FOREIGN_KEY_CHECKS = 1");
  }

  /** Columns, keys and what refers to what, as the database tells. */
  private Set<String> tables() throws SQLException {
    Set<String> all =
        read(
            "SELECT CONCAT_WS(' ', table_name, ordinal_position, column_name, column_type,"
                + " is_nullable, column_default) FROM information_schema.columns"
                + " WHERE table_schema = DATABASE()");
    all.addAll(
        read(
            "SELECT CONCAT_WS(' ', table_name, index_name, seq_in_index, column_name)"
                + " FROM information_schema.statistics WHERE table_schema = DATABASE()"));
    all.addAll(
        read(
            "SELECT CONCAT_WS(' ', table_name, constraint_name, referenced_table_name, delete_rule)"
                + " FROM information_schema.referential_constraints"
                + " WHERE constraint_schema = DATABASE()"));
    return all;
  }

  private Set<String> read(String sql) throws SQLException {
    Set<String> rows = new TreeSet<>();
    try (Statement statement = connection.createStatement();
        ResultSet found = statement.executeQuery(sql)) {
      while (found.next()) {
        rows.add(found.getString(1));
      }
    }
    return rows;
  }
}
