package paringknife.server.commands;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import paringknife.server.Application;
import paringknife.server.database.Database;
import paringknife.server.database.MariaDbProcess;
import paringknife.server.events.Events;

/** The application and its database, started together and stopped in the right order. */
public final class RunningServer implements AutoCloseable {
  static {
    // A thread that prepares what is not used yet takes its time from what the start waits for.
    System.setProperty("spring.backgroundpreinitializer.ignore", "true");
  }

  /** One rendering keeps some two processors at work, and wants a fifth of the memory. */
  private static final int PROCESSORS_FOR_A_TASK = 2;

  private static final int LEAST_TASKS = 2;
  private static final int MOST_TASKS = 3;

  private final DataLock lock;
  private final Database database;
  private final ConfigurableApplicationContext context;

  private RunningServer(DataLock lock, Database database, ConfigurableApplicationContext context) {
    this.lock = lock;
    this.database = database;
    this.context = context;
  }

  /**
   * Starts both.
   *
   * @param port to listen on; 0 for any free one
   * @throws IllegalArgumentException when the port or the data is in use
   */
  public static RunningServer start(Path data, Path media, int port) {
    return start(
        data, media, port, () -> MariaDbProcess.start(data.resolve("mariadb"), 0), Map.of());
  }

  /**
   * Starts both. A process that ends while this goes on leaves no database behind.
   *
   * @param opened brings the database, once nobody else works with the data
   * @param more settings of the application, by their names
   */
  public static RunningServer start(
      Path data, Path media, int port, Supplier<Database> opened, Map<String, Object> more) {
    refuseTakenPort(port);
    DataLock lock = DataLock.take(data);
    Database database = null;
    try {
      database = opened.get();
      SpringApplication application = new SpringApplication(Application.class);
      application.setRegisterShutdownHook(false);
      Map<String, Object> properties =
          properties(database.url(), database.userName(), database.password(), data, media, port);
      properties.putAll(more);
      application.setDefaultProperties(properties);
      ConfigurableApplicationContext context = application.run();
      database.onChange(context.getBean(Events.class)::databaseAnswers);
      return new RunningServer(lock, database, context);
    } catch (RuntimeException e) {
      if (database != null) {
        database.close();
      }
      lock.close();
      throw e;
    }
  }

  private static void refuseTakenPort(int port) {
    try (ServerSocket probe = new ServerSocket()) {
      probe.setReuseAddress(true);
      probe.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    } catch (IOException e) {
      throw new IllegalArgumentException(
          "Port " + port + " is taken by another program; choose one with --port.");
    }
  }

  /** Starts a worker without a web server against a database that runs elsewhere. */
  static ConfigurableApplicationContext startWorker(
      String url, String user, String password, Path data, Path media) {
    SpringApplication application = new SpringApplication(Application.class);
    application.setWebApplicationType(WebApplicationType.NONE);
    application.setRegisterShutdownHook(false);
    application.setDefaultProperties(properties(url, user, password, data, media, 0));
    return application.run();
  }

  private static Map<String, Object> properties(
      String url, String user, String password, Path data, Path media, int port) {
    Map<String, Object> properties = new HashMap<>();
    properties.put("spring.datasource.url", url);
    properties.put("spring.datasource.username", user);
    properties.put("spring.datasource.password", password);
    properties.put("paring-knife.data", data.toString());
    properties.put("paring-knife.media", media.toString());
    properties.put("server.port", Integer.toString(port));
    properties.put(
        "db-scheduler.threads", tasksAtATime(Runtime.getRuntime().availableProcessors()));
    properties.put("db-scheduler.scheduler-name", host() + "-" + ProcessHandle.current().pid());
    return properties;
  }

  static int tasksAtATime(int processors) {
    return Math.min(MOST_TASKS, Math.max(LEAST_TASKS, processors / PROCESSORS_FOR_A_TASK));
  }

  private static String host() {
    try {
      String name = InetAddress.getLocalHost().getHostName();
      return name.substring(0, Math.min(30, name.length()));
    } catch (IOException e) {
      return "here";
    }
  }

  public int port() {
    return ((ServletWebServerApplicationContext) context).getWebServer().getPort();
  }

  public String address() {
    return "http://127.0.0.1:" + port();
  }

  public <T> T part(Class<T> type) {
    return context.getBean(type);
  }

  /** Process number of the database, where it is one that was started here. */
  public long databasePid() {
    return ((MariaDbProcess) database).pid();
  }

  @Override
  public void close() {
    context.close();
    database.close();
    lock.close();
  }
}
