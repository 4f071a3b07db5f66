package paringknife.server.commands;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;
import paringknife.media.transcripts.TranscriptFile;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Single computations from the command line. */
class ToolCommandTest {
  private static final String SAID =
      "1\n00:00:01,000 --> 00:00:02,500\nDas Café öffnet um zehn.\n\n"
          + "2\n00:00:03,000 --> 00:00:04,250\nÜber dem Fluß.\n";

  @TempDir Path folder;

  private static String run(String... arguments) {
    PrintStream before = System.out;
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    try {
      assertThat(new CommandLine(new Main()).execute(arguments)).isZero();
    } finally {
      System.setOut(before);
    }
    return out.toString(StandardCharsets.UTF_8);
  }

  private static String words(Transcript transcript) {
    return transcript.words().stream().map(Word::text).collect(Collectors.joining(" "));
  }

  /** Encodings in which subtitle files come (common practice); UTF-16 with its mark. */
  @ParameterizedTest
  @ValueSource(strings = {"UTF-8", "ISO-8859-1", "UTF-16"})
  void convertReadsEveryEncodingAndWritesUtf8(String encoding) throws Exception {
    Path in = folder.resolve("in.srt");
    Files.write(in, SAID.getBytes(Charset.forName(encoding)));
    Path out = folder.resolve("out.vtt");
    run("tool", "convert", in.toString(), out.toString());
    assertThat(Files.readString(out))
        .startsWith("WEBVTT")
        .contains("00:00:03.000 --> 00:00:04.250", "Café öffnet", "Über dem Fluß.");
  }

  @ParameterizedTest
  @ValueSource(strings = {"json", "srt", "vtt", "ttml", "ass"})
  void whatWasConvertedSaysTheSameAtTheSameTime(String format) throws Exception {
    Path in = Files.writeString(folder.resolve("in.srt"), SAID);
    Path there = folder.resolve("there." + format);
    Path back = folder.resolve("back.srt");
    run("tool", "convert", in.toString(), there.toString());
    run("tool", "convert", there.toString(), back.toString());
    Transcript first = TranscriptFile.read(in).transcript();
    Transcript last = TranscriptFile.read(back).transcript();
    assertThat(words(last)).isEqualTo(words(first));
    assertThat(last.words().get(0).startUs()).isEqualTo(1_000_000);
    // Our JSON keeps words, not captions: those are made anew and linger.
    Transcript timed = format.equals("json") ? TranscriptFile.read(there).transcript() : last;
    long end = timed.words().get(timed.words().size() - 1).endUs();
    assertThat(end).isCloseTo(4_250_000, within(10_000L));
  }

  @Test
  void plainTextHasTheWordsAndNoTimes() throws Exception {
    Path in = Files.writeString(folder.resolve("in.srt"), SAID);
    Path out = folder.resolve("out.txt");
    run("tool", "convert", in.toString(), out.toString());
    assertThat(Files.readString(out).replaceAll("\\s+", " "))
        .contains("Das Café öffnet um zehn. Über dem Fluß.")
        .doesNotContain("00:00");
  }

  /** Nobody says a word in the noise between two tones, so that it is part of the pause. */
  @Test
  void withTheTranscriptNoiseBetweenWordsIsAPause() throws Exception {
    Path sound = folder.resolve("bump.wav");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-i",
            "aevalsrc='0.4*sin(2*PI*300*t)*(lt(t,1)+gt(t,2))"
                + "+0.2*(random(0)-0.5)*between(t,1.4,1.6)':d=3:s=16000",
            sound.toString()),
        null,
        Duration.ofMinutes(1));
    Path words =
        Files.writeString(
            folder.resolve("words.srt"),
            "1\n00:00:00,000 --> 00:00:01,000\none\n\n2\n00:00:02,000 --> 00:00:03,000\ntwo\n");
    JsonMapper json = new JsonMapper();
    assertThat(json.readTree(run("tool", "pauses", sound.toString()))).isEmpty();
    JsonNode heard =
        json.readTree(run("tool", "pauses", sound.toString(), "--transcript", words.toString()));
    assertThat(heard).hasSize(1);
    assertThat(heard.get(0).path("in").asDouble()).isCloseTo(1, within(0.02));
    assertThat(heard.get(0).path("out").asDouble()).isCloseTo(2, within(0.02));
  }

  private static final String SPEC =
      "{\"id\":\"%s\",\"name\":\"Tiny\",\"canvas\":{\"width\":270,\"height\":480,"
          + "\"safe\":{\"top\":0.1,\"bottom\":0.1,\"left\":0.05,\"right\":0.05}},"
          + "\"enlarges\":false,"
          + "\"length\":{\"shortestUs\":0,\"longestUs\":60000000,\"marginUs\":1000000},"
          + "\"frames\":{\"most\":30},"
          + "\"loudness\":{\"target\":{\"lufs\":-16,\"ceilingDbtp\":-1}},"
          + "\"captions\":\"BOTH\",\"texts\":{\"title\":100,\"text\":200,\"tags\":5},"
          + "\"encoding\":{\"codec\":\"VP9\",\"crf\":34,\"soundKbps\":96}}";

  private Path specs(String text) throws Exception {
    return Files.writeString(folder.resolve("specs.json"), text);
  }

  @Test
  void specsOfAFileAreThereBesideThoseThatShip() throws Exception {
    Path file = specs("{\"version\":1,\"specs\":[" + SPEC.formatted("tiny") + "]}");
    JsonNode specs = new JsonMapper().readTree(run("tool", "specs", "--specs", file.toString()));
    assertThat(specs).hasSize(7);
    assertThat(specs.get(6).path("id").asString()).isEqualTo("tiny");
    assertThat(specs.get(6).path("height").asInt()).isEqualTo(480);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "nonsense",
        "[]",
        "{\"version\":2,\"specs\":[]}",
        "{\"version\":1}",
        "{\"version\":1,\"specs\":[null]}",
        "{\"version\":1,\"specs\":[{}]}"
      })
  void whatIsNoFileOfSpecsIsRefusedInAWord(String text) throws Exception {
    Path file = specs(text);
    assertThat(Main.run("tool", "specs", "--specs", file.toString())).isEqualTo(2);
    assertThat(Main.run("tool", "specs", "--specs", folder.resolve("none").toString()))
        .isEqualTo(2);
    String shipped = "{\"version\":1,\"specs\":[" + SPEC.formatted("wide") + "]}";
    assertThat(Main.run("tool", "specs", "--specs", specs(shipped).toString())).isEqualTo(2);
  }
}
