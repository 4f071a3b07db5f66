package paringknife.server.web;

import java.net.SocketException;
import java.sql.SQLException;
import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;

/** Tells a database that is out of reach from one that refuses. */
final class DatabaseTrouble {
  /** SQLSTATE class 08 of ISO/IEC 9075: connection exceptions. */
  private static final String CONNECTION = "08";

  /** The driver gives no state of this class for a connection that broke while it was idle. */
  private static final String BROKE_WHILE_IDLE = "on a closed connection";

  private DatabaseTrouble() {}

  static boolean isOutOfReach(Throwable e) {
    for (Throwable cause = e; cause != null; cause = cause.getCause()) {
      if (cause instanceof SQLNonTransientConnectionException
          || cause instanceof SQLTransientConnectionException
          || cause instanceof SocketException) {
        return true;
      }
      if (cause instanceof SQLException sql && (isOfConnection(sql) || brokeWhileIdle(sql))) {
        return true;
      }
    }
    return false;
  }

  private static boolean isOfConnection(SQLException e) {
    return e.getSQLState() != null && e.getSQLState().startsWith(CONNECTION);
  }

  private static boolean brokeWhileIdle(SQLException e) {
    return e.getMessage() != null && e.getMessage().endsWith(BROKE_WHILE_IDLE);
  }
}
