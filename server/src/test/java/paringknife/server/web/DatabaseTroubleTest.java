package paringknife.server.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.SQLSyntaxErrorException;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.jdbc.BadSqlGrammarException;
import paringknife.server.RunningApplication;

/** A database that does not answer is told from one that refuses, with what the driver throws. */
class DatabaseTroubleTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  @Test
  void aConnectionThatBrokeWhileItWasIdleIsOutOfReach() throws SQLException {
    HikariDataSource pool = (HikariDataSource) APP.part(DataSource.class);
    Connection broken =
        DriverManager.getConnection(pool.getJdbcUrl(), pool.getUsername(), pool.getPassword());
    broken.close();
    assertThatThrownBy(() -> broken.setNetworkTimeout(Runnable::run, 1_000))
        .isInstanceOf(SQLSyntaxErrorException.class)
        .satisfies(
            e ->
                assertThat(
                        DatabaseTrouble.isOutOfReach(
                            new BadSqlGrammarException("asking", "select", (SQLException) e)))
                    .isTrue());
  }

  @Test
  void aStatementThatIsRefusedIsNot() throws SQLException {
    try (Connection connection = APP.part(DataSource.class).getConnection()) {
      assertThatThrownBy(() -> connection.createStatement().execute("select from nowhere"))
          .satisfies(e -> assertThat(DatabaseTrouble.isOutOfReach(e)).isFalse());
    }
  }
}
