package paringknife.server.commands;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import paringknife.server.database.OutsideDatabase;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Takes a share of the background work of an application that runs elsewhere. */
@Command(
    name = "worker",
    description = "Take a share of the work of a running application: same database, same folders.")
final class WorkerCommand implements Callable<Integer> {
  @Option(names = "--database", required = true, description = "JDBC address of the database")
  private String database = "";

  @Option(names = "--user", defaultValue = "paring")
  private String user = "";

  @Option(names = "--data", required = true)
  private Path data = Path.of("data");

  @Option(names = "--media", required = true)
  private Path media = Path.of("media");

  @Override
  public Integer call() throws InterruptedException {
    Stopping stopping = new Stopping();
    stopping.of(
        RunningServer.startWorker(
            OutsideDatabase.address(database), user, DatabaseOptions.password(), data, media));
    System.out.println("This worker takes its share.");
    stopping.await();
    return 0;
  }
}
