package paringknife.server.commands;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import paringknife.media.store.ScratchFolder;
import paringknife.server.Application;
import paringknife.server.database.MariaDbProcess;
import paringknife.server.episodes.DataFolder;

/** The application and its database, started together and stopped in the right order. */
public final class RunningServer implements AutoCloseable {
  private final DataLock lock;
  private final MariaDbProcess database;
  private final ConfigurableApplicationContext context;

  private RunningServer(
      DataLock lock, MariaDbProcess database, ConfigurableApplicationContext context) {
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
    refuseTakenPort(port);
    DataLock lock = DataLock.take(data);
    MariaDbProcess database = null;
    try {
      database = MariaDbProcess.start(data.resolve("mariadb"));
      ScratchFolder.sweep(new DataFolder(data, media).finishedFolder());
      SpringApplication application = new SpringApplication(Application.class);
      application.setRegisterShutdownHook(false);
      application.setDefaultProperties(
          properties(database.url(), database.userName(), database.password(), data, media, port));
      return new RunningServer(lock, database, application.run());
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
    return properties;
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

  @Override
  public void close() {
    context.close();
    database.close();
    lock.close();
  }
}
