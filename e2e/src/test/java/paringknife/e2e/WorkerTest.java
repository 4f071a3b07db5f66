package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** A worker beside the server: it takes its share, and either of them may die. */
class WorkerTest {
  private static final int CLIPS = 5;

  /** Of a clip: some three seconds. */
  private static final int WORDS = 8;

  @TempDir Path folder;

  private Path data;
  private Path media;

  private Process worker() throws IOException, InterruptedException {
    Path log = folder.resolve("worker.log");
    Files.deleteIfExists(log);
    String port = Files.readString(data.resolve("mariadb/port")).trim();
    Process worker =
        Command.start(
            log,
            Map.of(
                "PARING_KNIFE_DATABASE_PASSWORD",
                Files.readString(data.resolve("mariadb/password")).trim()),
            "worker",
            "--database",
            "jdbc:mariadb://127.0.0.1:" + port + "/paring_knife",
            "--data",
            data.toString(),
            "--media",
            media.toString());
    ServerUnderTest.await(
        "the worker",
        () -> {
          assertThat(worker.isAlive()).as(Files.readString(log)).isTrue();
          return Files.readString(log).contains("takes its share");
        });
    return worker;
  }

  private static boolean renders(Process process) {
    return process.descendants().anyMatch(p -> p.info().command().orElse("").endsWith("ffmpeg"));
  }

  private static Stream<JsonNode> cells(ServerUnderTest server)
      throws IOException, InterruptedException {
    return server
        .ask("/api/episodes/1/sheet", null)
        .path("lines")
        .valueStream()
        .flatMap(line -> line.path("cells").valueStream())
        .filter(cell -> cell.path("asked").asBoolean());
  }

  private static Stream<JsonNode> workers(ServerUnderTest server)
      throws IOException, InterruptedException {
    return server.ask("/api/workers", null).valueStream();
  }

  private static final Predicate<JsonNode> DONE =
      cell -> cell.path("current").asBoolean() && cell.path("state").asString().equals("DONE");

  private static void awaitAllDone(ServerUnderTest server)
      throws IOException, InterruptedException {
    ServerUnderTest.await(
        "every file finished",
        () -> {
          assertThat(cells(server)).noneMatch(c -> c.path("state").asString().equals("FAILED"));
          return cells(server).filter(DONE).count() == CLIPS;
        });
  }

  private static void askFor(ServerUnderTest server, int first, String spec)
      throws IOException, InterruptedException {
    long clip =
        server
            .ask(
                "/api/episodes/1/clips",
                "{\"firstWord\":%d,\"lastWord\":%d,\"title\":\"Part %d\"}"
                    .formatted(first, first + WORDS, first))
            .path("id")
            .asLong();
    server.ask(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":1,\"intent\":{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}}");
  }

  /** Every clip gets another length, so that no file is as it was. */
  private static void orderAnew(ServerUnderTest server, int word)
      throws IOException, InterruptedException {
    for (JsonNode clip : server.ask("/api/episodes/1/clips", null)) {
      int first = clip.path("pared").path("removals").size() + word;
      server.ask(
          "/api/clips/" + clip.path("id").asLong() + "/changes",
          "{\"revision\":%d,\"intent\":{\"type\":\"pareWords\",\"first\":%d,\"last\":%d}}"
              .formatted(clip.path("revision").asInt(), first, first));
    }
    server.ask("/api/episodes/1/renderings", "{}");
  }

  @Test
  void whatADeadOneWorkedOnIsTakenOverAndALostDatabaseIsFoundAgain() throws Exception {
    media = FerryOnTheShelf.episode().folder().getParent();
    data = folder.resolve("data");
    try (ServerUnderTest server = FerryOnTheShelf.server(data)) {
      String spec = server.smallSpec("vertical-60", "Half as wide", 540, 960);
      for (int i = 0; i < CLIPS; i++) {
        askFor(server, i, spec);
      }
      Process worker = worker();
      try {
        server.ask("/api/episodes/1/renderings", "{}");
        ServerUnderTest.await("a rendering of the worker's", () -> renders(worker));
        ServerUnderTest.await(
            "the page saying so",
            () ->
                workers(server)
                    .anyMatch(
                        w ->
                            !w.path("serves").asBoolean()
                                && w.path("does").toString().contains("Half as wide")));
        worker.descendants().forEach(ProcessHandle::destroyForcibly);
        worker.destroyForcibly().waitFor();
        ServerUnderTest.await(
            "the page saying that it is not heard of",
            () ->
                workers(server)
                    .anyMatch(
                        w -> !w.path("serves").asBoolean() && !w.path("heardOf").asBoolean()));
        awaitAllDone(server);
      } finally {
        worker.destroyForcibly();
      }

      Process second = worker();
      try {
        int port = URI.create(server.address()).getPort();
        server.kill();
        server.start(port);
        assertThat(second.isAlive()).as("the worker waits for the database").isTrue();
        orderAnew(server, 5);
        ServerUnderTest.await("the worker working again", () -> renders(second));
        server.kill();
        server.start(port);
        awaitAllDone(server);
      } finally {
        second.descendants().forEach(ProcessHandle::destroyForcibly);
        second.destroyForcibly();
      }
      try (Stream<Path> files = Files.walk(data.resolve("episodes"))) {
        assertThat(files.map(f -> f.getFileName().toString()))
            .as("left half written")
            .noneMatch(n -> n.startsWith("."));
      }
    }
  }
}
