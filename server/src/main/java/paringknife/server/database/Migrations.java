package paringknife.server.database;

import static org.flywaydb.core.api.MigrationState.FUTURE_SUCCESS;

import java.util.Arrays;
import org.flywaydb.core.Flyway;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/**
 * Brings the database's tables up to date. MariaDB takes no change of a table back, so a server
 * that is stopped in the middle leaves a script half done: every statement of a script does nothing
 * where it was done before, and one that was cut short is run once more.
 */
@Component
class Migrations implements FlywayMigrationStrategy {
  @Override
  public void migrate(Flyway flyway) {
    // Repairing would forget what a newer build has done.
    boolean isOfNewer =
        Arrays.stream(flyway.info().all()).anyMatch(m -> m.getState() == FUTURE_SUCCESS);
    if (!isOfNewer) {
      flyway.repair();
    }
    flyway.migrate();
  }
}
