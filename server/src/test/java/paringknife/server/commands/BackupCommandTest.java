package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Everything into one file and back from it, on a machine where nothing is yet. */
class BackupCommandTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  @TempDir Path folder;

  @BeforeAll
  static void waitForTheEpisode() throws Exception {
    APP.awaitReady(1);
  }

  private record Said(int exit, String errors) {}

  private static Said run(String... arguments) {
    PrintStream before = System.err;
    ByteArrayOutputStream errors = new ByteArrayOutputStream();
    System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
    try {
      return new Said(Main.run(arguments), errors.toString(StandardCharsets.UTF_8));
    } finally {
      System.setErr(before);
    }
  }

  private static JsonNode get(RunningServer server, String path) throws Exception {
    HttpResponse<String> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(URI.create(server.address() + path)).build(),
                HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).as(path + answer.body()).isEqualTo(200);
    return new JsonMapper().readTree(answer.body());
  }

  private static int removals(RunningServer server, long clip) throws Exception {
    return get(server, "/api/clips/" + clip).path("pared").path("removals").size();
  }

  private static void undo(RunningServer server, long clip) throws Exception {
    int revision = get(server, "/api/clips/" + clip).path("revision").asInt();
    HttpResponse<String> answer =
        HttpClient.newHttpClient()
            .send(
                HttpRequest.newBuilder(
                        URI.create(server.address() + "/api/clips/" + clip + "/undo"))
                    .header("Content-Type", "application/json")
                    .POST(HttpRequest.BodyPublishers.ofString("{\"revision\":" + revision + "}"))
                    .build(),
                HttpResponse.BodyHandlers.ofString());
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
  }

  @Test
  void whatWasWrittenWhileTheServerRunsIsAllThereElsewhere() throws Exception {
    long clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":4,\"title\":\"Kept 潮\"}")
            .path("id")
            .asLong();
    APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":%d,\"intent\":{\"type\":\"pareWords\",\"first\":1,\"last\":2}}"
            .formatted(APP.get("/api/clips/" + clip).path("revision").asInt()));
    Path file = folder.resolve("all.zip");
    Said written =
        run(
            "backup",
            "--data",
            APP.data().toString(),
            "--media",
            APP.media().toString(),
            "--with-media",
            file.toString());
    assertThat(written.exit()).as(written.errors()).isZero();

    Path data = folder.resolve("elsewhere");
    Path media = folder.resolve("recordings");
    Said back =
        run("restore", "--data", data.toString(), "--media", media.toString(), file.toString());
    assertThat(back.exit()).as(back.errors()).isZero();
    try (RunningServer server = RunningServer.start(data, media, 0)) {
      assertThat(get(server, "/api/clips/" + clip)).isEqualTo(APP.get("/api/clips/" + clip));
      assertThat(removals(server, clip)).isEqualTo(1);
      undo(server, clip);
      assertThat(removals(server, clip)).as("undo goes as far back").isZero();
      JsonNode item = RunningApplication.find(get(server, "/api/shelf"), 1);
      assertThat(item.path("state").asString()).isEqualTo("READY");
      assertThat(item.path("playable").asBoolean()).as("its recording is found").isTrue();
      assertThat(get(server, "/api/episodes/1/transcript"))
          .isEqualTo(APP.get("/api/episodes/1/transcript"));
      assertThat(get(server, "/api/clips/" + clip + "/preview").path("runs")).isNotEmpty();
    }
    assertThat(data.resolveSibling("elsewhere.restoring")).doesNotExist();

    Said partly =
        run("backup", "--data", data.toString(), "--with-media", folder.resolve("p.zip") + "");
    assertThat(partly.exit()).as("recordings lie elsewhere").isEqualTo(2);
    assertThat(partly.errors()).contains("lie outside of").contains(media.toString());
    assertThat(folder.resolve("p.zip")).doesNotExist();

    Path again = folder.resolve("again.zip");
    Said quiet = run("backup", "--data", data.toString(), again.toString());
    assertThat(quiet.exit()).as("while nothing runs: %s", quiet.errors()).isZero();
    try (ZipFile zip = new ZipFile(again.toFile())) {
      assertThat(zip.stream().map(ZipEntry::getName))
          .contains("backup.json", "database.sql")
          .anyMatch(n -> n.startsWith("data/episodes/1/"))
          .noneMatch(n -> n.startsWith("media/") || n.startsWith("data/mariadb"));
    }
  }

  private Path zip(Map<String, String> entries) throws IOException {
    Path file = Files.createTempFile(folder, "made", ".zip");
    try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(file))) {
      for (Map.Entry<String, String> entry : entries.entrySet()) {
        zip.putNextEntry(new ZipEntry(entry.getKey()));
        zip.write(entry.getValue().getBytes(StandardCharsets.UTF_8));
      }
    }
    return file;
  }

  private void refused(Path file, String why) {
    Path data = folder.resolve("none");
    Said said = run("restore", "--data", data.toString(), file.toString());
    assertThat(said.exit()).isEqualTo(2);
    assertThat(said.errors()).contains(why).doesNotContain("Exception");
    assertThat(data).doesNotExist();
    assertThat(folder.resolve("none.restoring")).doesNotExist();
    assertThat(folder.resolve("outside.txt")).doesNotExist();
  }

  @Test
  void whatIsNoBackupIsRefusedAndLeavesNothing() throws Exception {
    String notes =
        "{\"version\":%d,\"madeAt\":\"\",\"schema\":\"%s\",\"media\":\"/m\",\"withMedia\":false}";
    refused(folder.resolve("missing.zip"), "There is no file");
    refused(Files.writeString(folder.resolve("text.zip"), "no zip"), "no backup");
    refused(zip(Map.of("readme.txt", "hello")), "no backup");
    refused(zip(Map.of("backup.json", "[]", "database.sql", "")), "no backup");
    refused(zip(Map.of("backup.json", "{", "database.sql", "")), "no backup");
    refused(
        zip(Map.of("backup.json", notes.formatted(9, "1"), "database.sql", "")), "another version");
    refused(zip(Map.of("backup.json", notes.formatted(1, "9999"), "database.sql", "")), "newer");
    refused(
        zip(
            Map.of(
                "backup.json",
                notes.formatted(1, "0"),
                "database.sql",
                "",
                "data/../../outside.txt",
                "x")),
        "outside of its folder");
  }

  /** A stranger's file is not run: the client's own commands are closed to it. */
  @Test
  void whatABackupSaysIsNoCommandToTheMachine() throws Exception {
    Path touched = folder.resolve("touched.txt");
    String notes =
        "{\"version\":1,\"madeAt\":\"\",\"schema\":\"0\",\"media\":\"/m\",\"withMedia\":false}";
    for (String hostile :
        new String[] {
          "\\! touch " + touched + "\n",
          "system touch " + touched + "\n",
          "tee " + touched + "\nSELECT 1;\n",
          "SELECT 1 INTO OUTFILE '" + touched + "';\n"
        }) {
      run(
          "restore",
          "--data",
          Files.createTempDirectory(folder, "hostile").resolve("data").toString(),
          zip(Map.of("backup.json", notes, "database.sql", hostile)).toString());
      assertThat(touched).as(hostile).doesNotExist();
    }
  }

  @Test
  void aFolderWithSomethingInItIsLeftAlone() throws Exception {
    Path data = Files.createDirectories(folder.resolve("full"));
    Files.writeString(data.resolve("mine.txt"), "mine");
    Said said = run("restore", "--data", data.toString(), zip(Map.of("x", "y")).toString());
    assertThat(said.exit()).isEqualTo(2);
    assertThat(said.errors()).contains("something in");
    assertThat(data.resolve("mine.txt")).hasContent("mine");
    assertThat(run("backup", "--data", data.toString(), "x.zip").errors())
        .contains("nothing of Paring Knife");
  }
}
