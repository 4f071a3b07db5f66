package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The whole job from the command line, on a recording that is not the demo: other voices, another
 * length and size, 29.97 frames a second. What comes out is measured by tools that are not ours.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class BatchTest {
  private Path folder;
  private MadeEpisode episode;
  private Path out;
  private JsonNode report;

  @BeforeAll
  void makeClips(@TempDir Path temporary) throws IOException {
    folder = temporary;
    episode = MadeEpisode.mill(folder);
    out = folder.resolve("out");
    ChildProcess.Outcome outcome =
        Command.run(
            "batch",
            "--media",
            episode.camera().toString(),
            "--media",
            episode.microphone(1).toString(),
            "--media",
            episode.microphone(2).toString(),
            "--transcript",
            episode.transcript().toString(),
            "--clips",
            "2",
            "--length",
            "8-16",
            "--spec",
            "vertical-60",
            "--spec",
            "vertical-90",
            "--out",
            out.toString());
    assertThat(outcome.exit()).as(outcome.errors()).isZero();
    report = new JsonMapper().readTree(Files.readString(out.resolve("report.json")));
  }

  private List<JsonNode> clips() {
    List<JsonNode> clips = new ArrayList<>();
    report.path("clips").forEach(clips::add);
    return clips;
  }

  private Path file(JsonNode clip, int which) {
    return out.resolve(clip.path("files").get(which).path("file").asString());
  }

  /** The camera hears the sum of the microphones at the same moment. */
  @Test
  void microphonesAreLinedUpWithTheCamera() {
    assertThat(report.path("sounds")).hasSize(2);
    for (JsonNode sound : report.path("sounds")) {
      assertThat(sound.path("offset").asDouble()).isCloseTo(0, within(0.005));
    }
    JsonNode placed =
        new JsonMapper()
            .readTree(
                Command.run(
                        "tool",
                        "line-up",
                        episode.camera().toString(),
                        episode.microphone(2).toString())
                    .text());
    assertThat(placed.get(0).path("offset").asDouble()).isCloseTo(0, within(0.005));
  }

  @Test
  void theReportSaysWhatWasMadeAndWhy() throws IOException {
    assertThat(report.path("picks")).hasSize(2);
    for (JsonNode pick : report.path("picks")) {
      assertThat(pick.path("reasons")).isNotEmpty();
    }
    for (JsonNode clip : clips()) {
      double kept = 0;
      for (JsonNode span : clip.path("kept")) {
        kept += span.path("out").asDouble() - span.path("in").asDouble();
      }
      assertThat(kept)
          .isCloseTo(clip.path("files").get(0).path("duration").asDouble(), within(0.07));
      for (JsonNode file : clip.path("files")) {
        for (JsonNode check : file.path("checks")) {
          assertThat(check.path("verdict").asString()).as(check.toString()).isNotEqualTo("fails");
        }
      }
    }
    assertThat(clips()).anyMatch(c -> c.path("cut").toString().contains("\"filler\""));
    assertThat(clips()).allMatch(c -> c.path("cut").toString().contains("\"pause\""));
    try (var left = Files.list(out)) {
      assertThat(left.map(p -> p.getFileName().toString())).noneMatch(n -> n.startsWith("."));
    }
  }

  /** ffprobe and ffmpeg's ebur128 on the finished files. */
  @Test
  void filesAreWhatTheSpecAsksFor() {
    for (JsonNode clip : clips()) {
      Path file = file(clip, 0);
      assertThat(Eye.probe(file, "stream=codec_name,width,height,pix_fmt,r_frame_rate"))
          .startsWith("h264,1080,1920,yuv420p,30000/1001");
      Matcher loud = Pattern.compile("I:\\s+(-[\\d.]+) LUFS").matcher(Eye.loudness(file));
      assertThat(loud.find()).isTrue();
      assertThat(Double.parseDouble(loud.group(1))).isCloseTo(-14, within(0.5));
      Matcher peak = Pattern.compile("Peak:\\s+(-?[\\d.]+) dBFS").matcher(Eye.loudness(file));
      assertThat(peak.find()).isTrue();
      assertThat(Double.parseDouble(peak.group(1))).isLessThanOrEqualTo(-1.0);
    }
  }

  @Test
  void theSamePictureForTwoSpecsIsTheSameFile() throws IOException {
    for (JsonNode clip : clips()) {
      assertThat(Files.mismatch(file(clip, 0), file(clip, 1))).isEqualTo(-1);
    }
  }

  /**
   * Cut points against flite's phone times: no edge lies in a phone by more than one level window.
   */
  @Test
  void noCutFallsIntoASpokenSound() throws IOException {
    List<double[]> phones = episode.phones();
    int edges = 0;
    for (JsonNode clip : clips()) {
      for (JsonNode span : clip.path("kept")) {
        for (double edge : new double[] {span.path("in").asDouble(), span.path("out").asDouble()}) {
          edges++;
          assertThat(phones)
              .as("edge at " + edge)
              .noneMatch(p -> edge > p[0] + 0.010 && edge < p[1] - 0.010);
        }
      }
    }
    assertThat(edges).isGreaterThan(8);
  }

  /** Burnt captions read back by tesseract at five times of each clip. */
  @Test
  void burntCaptionsSayWhatIsHeard() throws IOException {
    int right = 0;
    int asked = 0;
    for (JsonNode clip : clips()) {
      for (int k = 1; k <= 5; k++) {
        double duration = clip.path("files").get(0).path("duration").asDouble();
        double at = duration * k / 6;
        List<String> near = wordsAround(clip, at);
        String read = Eye.readText(file(clip, 0), at, folder);
        asked++;
        right +=
            near.stream().anyMatch(w -> w.length() > 2 && List.of(read.split(" ")).contains(w))
                ? 1
                : 0;
      }
    }
    assertThat(asked).isEqualTo(10);
    assertThat(right).as("captions that tesseract could read").isGreaterThanOrEqualTo(9);
  }

  private List<String> wordsAround(JsonNode clip, double at) throws IOException {
    double played = 0;
    List<String> near = new ArrayList<>();
    for (JsonNode span : clip.path("kept")) {
      double in = span.path("in").asDouble();
      double end = span.path("out").asDouble();
      for (JsonNode word : episode.words()) {
        double middle = (word.path("start").asDouble() + word.path("end").asDouble()) / 2;
        if (middle >= in && middle < end && Math.abs(played + middle - in - at) < 1.8) {
          near.add(word.path("text").asString().toLowerCase(Locale.ROOT).replaceAll("[^a-z]", ""));
        }
      }
      played += end - in;
    }
    return near;
  }

  /** Sound of the file against the recording: every kept span lies where the cut list says. */
  @Test
  void soundAndPictureAreWhereTheCutListSaysWithinAFrame() {
    double frame = 1001 / 30000.0;
    int compared = 0;
    for (JsonNode clip : clips()) {
      double played = 0;
      for (JsonNode span : clip.path("kept")) {
        double in = span.path("in").asDouble();
        double length = span.path("out").asDouble() - in;
        if (length > 1.2) {
          float[] source = Eye.sound(episode.camera(), in, Math.min(length, 2));
          float[] made = Eye.sound(file(clip, 0), played, Math.min(length, 2));
          assertThat(Eye.lag(source, made)).isCloseTo(0, within(0.005));
          compared++;
        }
        played += length;
      }
      double duration = clip.path("files").get(0).path("duration").asDouble();
      assertThat(duration).isCloseTo(played, within(2 * frame));
      assertThat(
              Double.parseDouble(
                  Eye.probe(file(clip, 0), "stream=nb_read_packets").replaceAll("[^\\d].*", "")))
          .isCloseTo(played / frame, within(1.0));
    }
    assertThat(compared).isGreaterThanOrEqualTo(4);
  }

  @Test
  void badInputIsRefusedInOneLineWithStatus2() throws IOException {
    Path text = Files.writeString(folder.resolve("text.mp4"), "no recording");
    for (String[] arguments :
        new String[][] {
          {"batch", "--media", text.toString(), "--out", folder.resolve("none").toString()},
          {
            "batch",
            "--media",
            episode.camera().toString(),
            "--spec",
            "nowhere",
            "--out",
            folder.resolve("none").toString()
          },
          {
            "batch",
            "--media",
            episode.camera().toString(),
            "--length",
            "long",
            "--out",
            folder.resolve("none").toString()
          },
          {"batch"},
          {"tool", "fillers", text.toString()},
        }) {
      ChildProcess.Outcome outcome = Command.run(arguments);
      assertThat(outcome.exit()).as(String.join(" ", arguments)).isEqualTo(2);
      assertThat(outcome.errors().strip().lines().count()).as(outcome.errors()).isEqualTo(1);
    }
    assertThat(folder.resolve("none")).doesNotExist();
  }

  @Test
  void toolsAnswerInJson() {
    JsonMapper json = new JsonMapper();
    JsonNode fillers =
        json.readTree(Command.run("tool", "fillers", episode.transcript().toString()).text());
    assertThat(fillers)
        .anyMatch(f -> f.path("text").asString().equals("Um,") && f.path("sure").asBoolean());
    assertThat(json.readTree(Command.run("tool", "specs").text())).hasSize(6);
    JsonNode faces =
        json.readTree(Command.run("tool", "faces", episode.camera().toString()).text());
    long both = faces.valueStream().filter(f -> f.path("faces").size() == 2).count();
    assertThat(both / (double) faces.size())
        .as("share of pictures with both faces")
        .isGreaterThanOrEqualTo(0.95);
    JsonNode path =
        json.readTree(
            Command.run(
                    "tool",
                    "crop-path",
                    episode.camera().toString(),
                    "--shape",
                    "9:16",
                    "--transcript",
                    episode.transcript().toString())
                .text());
    assertThat(path)
        .anyMatch(w -> w.path("person").asInt() == 0)
        .anyMatch(w -> w.path("person").asInt() == 1);
    assertThat(path)
        .allMatch(
            w ->
                Math.abs(w.path("width").asDouble() / w.path("height").asDouble() - 9 / 16.0)
                    < 0.001);
    assertThat(
            json.readTree(Command.run("tool", "repeats", episode.transcript().toString()).text())
                .isArray())
        .isTrue();
    JsonNode pauses =
        json.readTree(Command.run("tool", "pauses", episode.camera().toString()).text());
    assertThat(pauses.size()).isGreaterThan(5);
  }
}
