package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;

/** A disk that is really full (a file system in memory that is made smaller), and free again. */
class FullDiskTest {
  private static final String ROOMY = "size=4g";
  private static final int EDITS = 60;

  @TempDir Path folder;

  private Path disk;

  private void mount(String... options) {
    List<String> command = new java.util.ArrayList<>(List.of("mount"));
    command.addAll(List.of(options));
    command.add(disk.toString());
    ChildProcess.Outcome outcome = ChildProcess.run(command, null, Duration.ofSeconds(20));
    assertThat(outcome.exit()).as(outcome.errors()).isZero();
  }

  @BeforeEach
  void makeDisk() throws IOException {
    disk = Files.createDirectories(folder.resolve("disk"));
    mount("-t", "tmpfs", "-o", ROOMY, "tmpfs");
  }

  @AfterEach
  void removeDisk() {
    ChildProcess.run(List.of("umount", "-l", disk.toString()), null, Duration.ofSeconds(20));
  }

  /** Leaves not even the room of one picture. */
  private void fill() throws IOException {
    var store = Files.getFileStore(disk);
    long used = store.getTotalSpace() - store.getUnallocatedSpace();
    mount("-o", "remount,size=" + (used + 64 * 1024));
  }

  private static HttpResponse<String> pare(ServerUnderTest server, long clip, int word)
      throws IOException, InterruptedException {
    int revision = server.ask("/api/clips/" + clip, null).path("revision").asInt();
    return server.answer(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":%d,\"intent\":{\"type\":\"rename\",\"title\":\"%d %s\"}}"
            .formatted(revision, word, "a long name ".repeat(8)));
  }

  private static JsonNode cell(ServerUnderTest server) throws IOException, InterruptedException {
    return server
        .ask("/api/episodes/1/sheet", null)
        .path("lines")
        .path(0)
        .path("cells")
        .valueStream()
        .filter(c -> c.path("asked").asBoolean())
        .findFirst()
        .orElseThrow();
  }

  @Test
  void everythingIsSaidInMegabytesNothingIsLostAndItGoesOnByItself() throws Exception {
    try (ServerUnderTest server = FerryOnTheShelf.server(disk.resolve("data"))) {
      String spec = server.smallSpec("vertical-60", "Small", 360, 640);
      long clip =
          server
              .ask("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":8,\"title\":\"A clip\"}")
              .path("id")
              .asLong();
      server.ask(
          "/api/clips/" + clip + "/changes",
          "{\"revision\":1,\"intent\":{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}}");
      fill();

      server.ask("/api/episodes/1/renderings", "{}");
      ServerUnderTest.await(
          "why the render waits",
          () -> cell(server).path("problem").asString("").matches(".*nearly full.*\\d+ MB.*"));
      assertThat(cell(server).path("state").asString()).isEqualTo("WAITING");

      String kept = server.ask("/api/clips/" + clip, null).at("/delivered/title").asString();
      for (int i = 0; i < EDITS; i++) {
        HttpResponse<String> answer = pare(server, clip, i);
        if (answer.statusCode() == 200) {
          kept = i + " a long name ";
        } else {
          assertThat(answer.statusCode()).as(answer.body()).isIn(503, 507);
          assertThat(answer.body()).doesNotContain("Exception").contains("message");
        }
      }
      mount("-o", "remount," + ROOMY);
      assertThat(server.ask("/api/clips/" + clip, null).at("/delivered/title").asString())
          .as("the last edit that was acknowledged")
          .startsWith(kept);
      ServerUnderTest.await("an edit", () -> pare(server, clip, -1).statusCode() == 200);
      ServerUnderTest.await(
          "the file, without another order",
          () -> cell(server).path("state").asString().equals("DONE"));
    }
  }
}
