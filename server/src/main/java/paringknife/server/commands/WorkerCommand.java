package paringknife.server.commands;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import org.springframework.context.ConfigurableApplicationContext;
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
    String password = System.getenv().getOrDefault("PARING_KNIFE_DATABASE_PASSWORD", "");
    ConfigurableApplicationContext context =
        RunningServer.startWorker(database, user, password, data, media);
    CountDownLatch stopped = new CountDownLatch(1);
    Runtime.getRuntime()
        .addShutdownHook(
            new Thread(
                () -> {
                  context.close();
                  stopped.countDown();
                },
                "stop"));
    System.out.println("This worker takes its share.");
    stopped.await();
    return 0;
  }
}
