package paringknife.e2e;

import static java.nio.file.StandardCopyOption.REPLACE_EXISTING;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The commands of the README, as they stand there, in a copy of the sources in which nothing has
 * been built, on a machine whose Maven repository holds nothing of ours.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.MethodName.class)
class CommandsOfTheReadmeTest {
  private static final Path SOURCES = Path.of("..").toAbsolutePath().normalize();
  private static final Pattern READY = Pattern.compile("ready: http|http://127\\.0\\.0\\.1:\\d+");

  /** Long enough for one clip of ten seconds. */
  private static final double SECONDS = 26;

  private Path folder;
  private Path copy;
  private Path recordings;
  private final String port = freePort();
  private final String databasePort = freePort();

  private static String freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return Integer.toString(socket.getLocalPort());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Each lives for half a minute: compiling it well would take longer than it saves. */
  private static final String BRIEF = "-XX:TieredStopAtLevel=1";

  private static ChildProcess.Outcome shell(Path in, String line) {
    return ChildProcess.runAnyExit(
        List.of("env", "JAVA_TOOL_OPTIONS=" + BRIEF, "bash", "-c", line),
        in,
        Duration.ofMinutes(12));
  }

  @BeforeAll
  void copySourcesAndRecordings(@TempDir Path temporary) throws IOException {
    folder = temporary;
    copy = Files.createDirectories(folder.resolve("copy"));
    recordings = Files.createDirectories(folder.resolve("recordings"));
    assertThat(
            shell(
                    SOURCES,
                    "tar cf - --exclude=./data --exclude=./.git --exclude=target"
                        + " --exclude=node_modules . | tar xf - -C "
                        + copy)
                .exit())
        .isZero();
    MadeEpisode made = MadeEpisode.ferry(folder);
    cut(made.camera(), "talk.mp4");
    cut(made.camera(), "camera.mp4");
    cut(made.microphone(1), "host.wav");
    cut(made.microphone(2), "guest.wav");
    ObjectNode transcript = cut(made.transcript());
    ArrayNode words = (ArrayNode) transcript.path("words");
    Files.writeString(folder.resolve("talk.json"), transcript.toString());
    List<String> said = new ArrayList<>();
    for (JsonNode word : words) {
      said.add(word.path("text").asString());
    }
    Files.writeString(folder.resolve("talk.txt"), String.join(" ", said));
    Files.writeString(
        folder.resolve("talk.srt"),
        "1\n00:00:01,000 --> 00:00:04,000\n" + String.join(" ", said.subList(0, 6)) + "\n");
    // The demo is made only where it is not there yet; a short one is.
    for (String name : List.of("slack-water-07", "field-notes-03")) {
      Path media = Files.createDirectories(folder.resolve("data/media"));
      shell(folder, "cp -r ferry " + media.resolve(name));
      Files.copy(
          folder.resolve("camera.mp4"),
          media.resolve(name).resolve("camera.mp4"),
          REPLACE_EXISTING);
      Files.copy(
          folder.resolve("host.wav"),
          media.resolve(name).resolve("microphone-1.wav"),
          REPLACE_EXISTING);
      Files.copy(
          folder.resolve("guest.wav"),
          media.resolve(name).resolve("microphone-2.wav"),
          REPLACE_EXISTING);
      Files.writeString(media.resolve(name).resolve("transcript.json"), transcript.toString());
    }
  }

  private static ObjectNode cut(Path transcript) throws IOException {
    ObjectNode whole = (ObjectNode) new JsonMapper().readTree(Files.readString(transcript));
    ArrayNode words = (ArrayNode) whole.path("words");
    while (words.get(words.size() - 1).path("end").asDouble() > SECONDS) {
      words.remove(words.size() - 1);
    }
    return whole;
  }

  private void cut(Path recording, String name) {
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            recording.toString(),
            "-t",
            Double.toString(SECONDS),
            "-c",
            "copy",
            folder.resolve(name).toString()),
        null,
        Duration.ofMinutes(1));
  }

  @AfterAll
  void nothingOfOursIsLeftInTheRepository() throws IOException {
    Path ours = Path.of(System.getProperty("user.home"), ".m2/repository/paringknife");
    if (Files.exists(ours)) {
      try (Stream<Path> files = Files.walk(ours)) {
        assertThat(files.filter(f -> f.toString().endsWith(".jar"))).isEmpty();
      }
    }
  }

  /** Lines of the README's code that begin with our command; those that go on are joined. */
  private static List<String> commands() throws IOException {
    String readme = Files.readString(SOURCES.resolve("README.md")).replaceAll("\\\\\\R\\s*", "");
    List<String> commands = new ArrayList<>();
    Matcher line =
        Pattern.compile(
                "(?m)^(?:\\w+=\\S+(?: \\S+\\))? )?\\./paring-knife .*$|`(\\./paring-knife [^`]+)`")
            .matcher(readme);
    while (line.find()) {
      String whole = line.group(1) == null ? line.group() : line.group(1);
      // What stands after a wide space tells about the command.
      commands.add(whole.split(" {3,}")[0].strip());
    }
    return commands.stream().distinct().toList();
  }

  /**
   * Commands that end by themselves, but for {@code test}, which runs this. The whole bench takes
   * half an hour: a part stands for it, first, since its build has everything in it.
   */
  static Stream<String> endingCommands() throws IOException {
    return Stream.concat(
        commands().stream()
            .sorted(Comparator.comparing(c -> !c.contains(" bench")))
            .filter(c -> c.matches("\\./paring-knife (batch|tool|bench \\w).*")),
        Stream.of("", " serve", " worker", " batch", " tool", " backup", " restore")
            .map(command -> "./paring-knife" + command + " --help"));
  }

  private String placed(String command) {
    // Paths last: one that is made up may have the digits of a port in it.
    return command
        .replace("--port 8080", "--port " + port)
        .replace("3307", databasePort)
        .replace("./paring-knife", copy.resolve("paring-knife").toString())
        .replace("/srv/recordings", recordings.toString());
  }

  @ParameterizedTest
  @MethodSource("endingCommands")
  void aEndsWell(String command) {
    ChildProcess.Outcome outcome =
        shell(
            folder, "export PARING_KNIFE_DATA=" + folder.resolve("data") + "; " + placed(command));
    assertThat(outcome.exit()).as("%s\n%s\n%s", command, outcome.text(), outcome.errors()).isZero();
  }

  @Test
  void bTheDemoComesUpAndStops() throws Exception {
    Process demo = started(only("demo"), folder.resolve("data"), "demo.log");
    demo.destroy();
    assertThat(demo.waitFor()).isIn(0, 130, 143);
  }

  @Test
  void cAServerAndItsWorkerComeUpAndStop() throws Exception {
    Process server = started(only("serve"), folder.resolve("data"), "serve.log");
    try {
      Process worker = started(only("worker"), folder.resolve("data"), "worker.log");
      worker.destroy();
      worker.waitFor();
    } finally {
      server.destroy();
      server.waitFor();
    }
  }

  @Test
  void dEverythingGoesIntoOneFileAndComesBack() throws IOException {
    String data = "export PARING_KNIFE_DATA=" + folder.resolve("data") + "; ";
    for (String command : List.of(only("backup"), only("restore"))) {
      ChildProcess.Outcome outcome = shell(folder, data + placed(command));
      assertThat(outcome.exit())
          .as("%s\n%s\n%s", command, outcome.text(), outcome.errors())
          .isZero();
    }
    assertThat(folder.resolve("elsewhere/mariadb/data")).isDirectory();
  }

  private static String only(String word) throws IOException {
    return commands().stream()
        .filter(c -> c.contains("./paring-knife " + word))
        .findFirst()
        .orElseThrow();
  }

  private Process started(String command, Path data, String log) throws Exception {
    Path said = folder.resolve(log);
    ProcessBuilder builder =
        new ProcessBuilder(
                "bash", "-c", "exec env " + placed(command).replaceFirst("=\\$\\(", "=\\$("))
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectOutput(said.toFile());
    builder
        .environment()
        .putAll(Map.of("PARING_KNIFE_DATA", data.toString(), "JAVA_TOOL_OPTIONS", BRIEF));
    Process process = builder.start();
    ServerUnderTest.await(
        command,
        () -> {
          String text = Files.readString(said);
          assertThat(process.isAlive()).as(text).isTrue();
          return READY.matcher(text).find() || text.contains("takes its share");
        });
    return process;
  }
}
