package paringknife.server.commands;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import paringknife.server.Application;
import paringknife.server.database.MariaDbProcess;

/** The application and its database, started together and stopped in the right order. */
public final class RunningServer implements AutoCloseable {
  private final MariaDbProcess database;
  private final ConfigurableApplicationContext context;

  private RunningServer(MariaDbProcess database, ConfigurableApplicationContext context) {
    this.database = database;
    this.context = context;
  }

  /**
   * Starts both.
   *
   * @param port to listen on; 0 for any free one
   */
  public static RunningServer start(Path data, Path media, int port) {
    MariaDbProcess database = MariaDbProcess.start(data.resolve("mariadb"));
    try {
      SpringApplication application = new SpringApplication(Application.class);
      application.setRegisterShutdownHook(false);
      application.setDefaultProperties(properties(database.url(), database.userName(), database.password(), data, media, port));
      return new RunningServer(database, application.run());
    } catch (RuntimeException e) {
      database.close();
      throw e;
    }
  }

  /** Starts a worker without a web server against a database that runs elsewhere. */
  static ConfigurableApplicationContext startWorker(String url, String user, String password, Path data, Path media) {
    SpringApplication application = new SpringApplication(Application.class);
    application.setWebApplicationType(WebApplicationType.NONE);
    application.setDefaultProperties(properties(url, user, password, data, media, 0));
    return application.run();
  }

  private static Map<String, Object> properties(String url, String user, String password, Path data, Path media, int port) {
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
  }
}
