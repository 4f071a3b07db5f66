package paringknife.server.database;

import java.util.function.Consumer;

/** The MariaDB that everything is kept in, wherever it runs. */
public interface Database extends AutoCloseable {
  /** JDBC address. */
  String url();

  String userName();

  String password();

  /** Told false when it does not answer any more, true when it answers again. */
  void onChange(Consumer<Boolean> told);

  @Override
  void close();
}
