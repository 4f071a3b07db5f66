package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Stopping in the middle of work, killing, and starting twice. */
class StoppingTest {
  @TempDir Path folder;

  private static JsonNode episode(ServerUnderTest server) throws IOException, InterruptedException {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(server.address() + "/api/shelf")).build();
    String body =
        HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString()).body();
    return new JsonMapper().readTree(body).get(0);
  }

  private static void awaitProgress(ServerUnderTest server, double share)
      throws IOException, InterruptedException {
    for (int i = 0; i < 3_000 && episode(server).path("progress").asDouble() < share; i++) {
      assertThat(episode(server).path("state").asString()).isNotEqualTo("FAILED");
      Thread.sleep(200);
    }
    assertThat(episode(server).path("progress").asDouble()).isGreaterThanOrEqualTo(share);
  }

  private static List<String> halfMade(Path episode) throws IOException {
    try (Stream<Path> files = Files.list(episode)) {
      return files.map(f -> f.getFileName().toString()).filter(n -> n.startsWith(".")).toList();
    }
  }

  @Test
  void ingestIsTakenUpAgainAndASecondServerIsRefused() throws IOException, InterruptedException {
    Path media = Files.createDirectories(folder.resolve("media"));
    Path data = folder.resolve("data");
    MadeEpisode.ferry(media);
    try (ServerUnderTest server = new ServerUnderTest(data, media)) {
      awaitProgress(server, 0.05);
      assertThat(server.interrupt()).as("exit status after Ctrl-C").isIn(0, 130);
      assertThat(
              ProcessHandle.allProcesses()
                  .filter(p -> p.info().commandLine().orElse("").contains(data.toString())))
          .as("left running")
          .isEmpty();
      server.start();
      assertThat(episode(server).path("state").asString()).isEqualTo("ARRIVING");
      awaitProgress(server, 0.05);

      server.kill();
      server.start();
      ChildProcess.Outcome second =
          Command.run(
              "serve", "--data", data.toString(), "--media", media.toString(), "--port", "0");
      assertThat(second.exit()).isEqualTo(2);
      assertThat(second.errors().strip())
          .startsWith("Paring Knife already runs")
          .doesNotContain("\n");
      assertThat(episode(server).path("title").asString()).isEqualTo("The last ferry");
      awaitProgress(server, 1);
      assertThat(episode(server).path("state").asString()).isEqualTo("READY");
      Path episode = data.resolve("episodes").resolve("1");
      for (int i = 0; i < 600 && !halfMade(episode).isEmpty(); i++) {
        Thread.sleep(200);
      }
      assertThat(halfMade(episode)).isEmpty();
    }
  }

  /** At several moments of a first start: the database is made, begins, is filled with tables. */
  @Test
  void aStopDuringTheStartLeavesNothingRunningAndNothingHalfMade()
      throws IOException, InterruptedException {
    Path media = Files.createDirectories(folder.resolve("media"));
    Path data = folder.resolve("data");
    for (int ms : new int[] {600, 2_000, 4_000, 6_000}) {
      Process starting =
          Command.start(
              folder.resolve("start.log"),
              "serve",
              "--data",
              data.toString(),
              "--media",
              media.toString(),
              "--port",
              "0");
      Thread.sleep(ms);
      starting.destroy();
      assertThat(starting.waitFor(60, TimeUnit.SECONDS)).isTrue();
      assertThat(workingOn(data)).as("left running after %d ms", ms).isEmpty();
    }
    try (ServerUnderTest server = new ServerUnderTest(data, media)) {
      assertThat(server.address()).startsWith("http://");
    }
  }

  /** What makes the database is a script: while it is being ended it starts one more program. */
  @Test
  void whatStartsOthersWhileItIsEndedLeavesNone() throws IOException, InterruptedException {
    Path data = folder.resolve("never-there");
    Path path = Files.createDirectories(folder.resolve("path"));
    Path restless = path.resolve("mariadb-install-db");
    Files.writeString(
        restless, "#!/bin/sh\nwhile :; do sh -c 'sleep 60; :' \"$@\" & sleep 0.01; done\n");
    assertThat(restless.toFile().setExecutable(true)).isTrue();
    Process starting =
        Command.start(
            folder.resolve("start.log"),
            Map.of("PATH", path + ":" + System.getenv("PATH")),
            "serve",
            "--data",
            data.toString(),
            "--media",
            folder.toString(),
            "--port",
            "0");
    ServerUnderTest.await(
        "a database that is made", () -> !workingOn(data.resolve("mariadb")).isEmpty());
    Thread.sleep(300);
    starting.destroy();
    assertThat(starting.waitFor(60, TimeUnit.SECONDS)).isTrue();
    assertThat(workingOn(data)).isEmpty();
  }

  private static List<String> workingOn(Path data) {
    return ProcessHandle.allProcesses()
        .map(p -> p.info().commandLine().orElse(""))
        .filter(line -> line.contains(data.toString()))
        .toList();
  }
}
