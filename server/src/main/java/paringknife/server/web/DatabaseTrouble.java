package paringknife.server.web;

import java.net.SocketException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;

/** Tells a database that is out of reach from one that refuses. */
final class DatabaseTrouble {
  /** SQLSTATE class 08 of ISO/IEC 9075: connection exceptions. */
  private static final String CONNECTION = "08";

  private DatabaseTrouble() {}

  static boolean isOutOfReach(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLNonTransientConnectionException
          || cause instanceof SQLTransientConnectionException
          || cause instanceof SocketException) {
        return true;
      }
      if (cause instanceof java.sql.SQLException sql
          && sql.getSQLState() != null
          && sql.getSQLState().startsWith(CONNECTION)) {
        return true;
      }
    }
    return false;
  }
}
