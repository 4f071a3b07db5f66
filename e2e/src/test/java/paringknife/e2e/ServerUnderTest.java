package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The real server as a process that can be killed. */
final class ServerUnderTest implements AutoCloseable {
  private static final Pattern READY = Pattern.compile("ready: (http://127\\.0\\.0\\.1:\\d+)");
  private static final Pattern FIRST_OWNER = Pattern.compile("http://\\S+/welcome/[0-9a-f]{32}");

  private final Path data;
  private final Path media;
  private final Map<String, String> environment;
  private Process process;
  private Path log;
  private String address = "";

  ServerUnderTest(Path data, Path media) throws IOException, InterruptedException {
    this(data, media, Map.of());
  }

  ServerUnderTest(Path data, Path media, Map<String, String> environment)
      throws IOException, InterruptedException {
    this.data = data;
    this.media = media;
    this.environment = environment;
    start();
  }

  void start() throws IOException, InterruptedException {
    start(0);
  }

  /** Starts on a port of its own choice (0) or where it was before. */
  void start(int port) throws IOException, InterruptedException {
    log = Files.createTempFile("server", ".log");
    process =
        Command.start(
            log,
            environment,
            "serve",
            "--data",
            data.toString(),
            "--media",
            media.toString(),
            "--port",
            Integer.toString(port),
            "--team-port",
            Integer.toString(freePort()),
            "--team-address",
            "127.0.0.1",
            "--shelve",
            media.toString());
    for (int i = 0; i < 3_000; i++) {
      Matcher ready = READY.matcher(Files.readString(log));
      if (ready.find()) {
        address = ready.group(1);
        return;
      }
      if (!process.isAlive()) {
        break;
      }
      Thread.sleep(100);
    }
    throw new IOException("the server did not start:\n" + Files.readString(log));
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }

  /** Where the first owner begins. */
  String firstOwner() throws IOException, InterruptedException {
    await("the invitation", () -> FIRST_OWNER.matcher(Files.readString(log)).find());
    Matcher told = FIRST_OWNER.matcher(Files.readString(log));
    return told.find() ? told.group() : "";
  }

  /** As {@code kill -9}: server, database and all they started. */
  void kill() throws InterruptedException {
    process.descendants().forEach(ProcessHandle::destroyForcibly);
    process.destroyForcibly();
    process.waitFor();
  }

  /** As Ctrl-C at a terminal; answers the exit status. */
  int interrupt() throws IOException, InterruptedException {
    new ProcessBuilder("kill", "-INT", Long.toString(process.pid())).start().waitFor();
    if (!process.waitFor(120, TimeUnit.SECONDS)) {
      throw new IOException("the server did not stop");
    }
    return process.exitValue();
  }

  String address() {
    return address;
  }

  /** What may come true. */
  interface Seen {
    boolean now() throws IOException, InterruptedException;
  }

  static void await(String what, Seen seen) throws IOException, InterruptedException {
    for (int i = 0; i < 3_000; i++) {
      if (seen.now()) {
        return;
      }
      Thread.sleep(100);
    }
    throw new AssertionError("never seen: " + what);
  }

  /** Sends a body by POST; without one it is a GET. */
  HttpResponse<String> answer(String path, String body) throws IOException, InterruptedException {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(address + path));
    if (body != null) {
      request
          .header("Content-Type", "application/json")
          .POST(HttpRequest.BodyPublishers.ofString(body));
    }
    return HttpClient.newHttpClient().send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  /** What is answered to what must not be refused. */
  JsonNode ask(String path, String body) throws IOException, InterruptedException {
    HttpResponse<String> response = answer(path, body);
    assertThat(response.statusCode()).as("%s: %s", path, response.body()).isLessThan(300);
    return response.body().isEmpty() ? null : new JsonMapper().readTree(response.body());
  }

  /**
   * A shipped spec with another name and another picture.
   *
   * @return its id
   */
  String smallSpec(String shipped, String name, int width, int height)
      throws IOException, InterruptedException {
    ObjectNode spec =
        (ObjectNode)
            ask("/api/specs", null)
                .valueStream()
                .filter(s -> s.path("id").asString().equals(shipped))
                .findFirst()
                .orElseThrow();
    String made = name.toLowerCase(Locale.ROOT).replace(' ', '-');
    spec.put("id", made).put("name", name);
    ((ObjectNode) spec.path("canvas")).put("width", width).put("height", height);
    ask("/api/specs/file", "{\"version\":1,\"specs\":[" + spec + "]}");
    return made;
  }

  /** The first episode of the shelf, once it is there with everything. */
  void awaitEpisode() throws IOException, InterruptedException {
    await(
        "the episode",
        () -> ask("/api/shelf", null).path(0).path("state").asString().equals("READY"));
  }

  @Override
  public void close() {
    process.destroy();
    try {
      if (!process.waitFor(120, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
