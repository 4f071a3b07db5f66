package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.letter.drawn.Canvas;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * The whole job from the command line, on a recording that is not the demo: other voices, another
 * length and size, 29.97 frames a second. What comes out is measured by tools that are not ours.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class BatchTest {
  private static final double FRAME = 1001 / 30000.0;
  private static final int WIDTH = 540;
  private static final int HEIGHT = 960;

  /** Reading a picture takes tesseract half a second. */
  private static final int MOST_READ = 8;

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
            "--specs",
            smallerSpecs().toString(),
            "--spec",
            "smaller-vertical-60",
            "--spec",
            "smaller-vertical-90",
            "--out",
            out.toString());
    assertThat(outcome.exit()).as(outcome.errors()).isZero();
    report = new JsonMapper().readTree(Files.readString(out.resolve("report.json")));
  }

  /** Shipped specs with less than half of their pixels: what is asked of them is no less. */
  private Path smallerSpecs() throws IOException {
    List<DeliverySpec> smaller = new ArrayList<>();
    for (String id : List.of("vertical-60", "vertical-90", "feed-square")) {
      DeliverySpec shipped = DeliverySpecs.SHIPPED.find(id).orElseThrow();
      int height = id.equals("feed-square") ? WIDTH : HEIGHT;
      smaller.add(
          new DeliverySpec(
              "smaller-" + id,
              "Smaller " + id,
              new Canvas(WIDTH, height, shipped.canvas().safe()),
              shipped.enlarges(),
              shipped.length(),
              shipped.frames(),
              shipped.loudness(),
              shipped.captions(),
              shipped.texts(),
              shipped.cover(),
              shipped.encoding()));
    }
    return Files.writeString(
        folder.resolve("specs.json"),
        new JsonMapper().writeValueAsString(Map.of("version", 1, "specs", smaller)));
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
                Command.here(
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
          .startsWith("h264,%d,%d,yuv420p,30000/1001".formatted(WIDTH, HEIGHT));
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

  private record Said(String bare, double start) {}

  private record Shown(double start, List<String> words) {}

  /** What a clip says, with the times at which its file says it. */
  private List<Said> said(JsonNode clip) throws IOException {
    double played = 0;
    List<Said> said = new ArrayList<>();
    for (JsonNode span : clip.path("kept")) {
      double in = span.path("in").asDouble();
      double end = span.path("out").asDouble();
      for (JsonNode word : episode.words()) {
        double start = word.path("start").asDouble();
        double middle = (start + word.path("end").asDouble()) / 2;
        if (middle >= in && middle < end) {
          said.add(new Said(bare(word.path("text").asString()), played + Math.max(0, start - in)));
        }
      }
      played += end - in;
    }
    return said;
  }

  private static String bare(String word) {
    return word.toLowerCase(Locale.ROOT).replaceAll("[^a-z]", "");
  }

  /** The cues of the SubRip file beside a clip. */
  private List<Shown> shown(JsonNode clip) throws IOException {
    String name = clip.path("files").get(0).path("file").asString().replace(".mp4", ".srt");
    List<Shown> shown = new ArrayList<>();
    for (String block : Files.readString(out.resolve(name)).strip().split("\\R\\R")) {
      String[] lines = block.split("\\R");
      String[] begins = lines[1].split(" ")[0].split("[:,]");
      double start =
          Integer.parseInt(begins[0]) * 3600
              + Integer.parseInt(begins[1]) * 60
              + Integer.parseInt(begins[2])
              + Integer.parseInt(begins[3]) / 1000.0;
      List<String> words = new ArrayList<>();
      for (int i = 2; i < lines.length; i++) {
        for (String word : lines[i].split(" ")) {
          words.add(bare(word));
        }
      }
      shown.add(new Shown(start, words));
    }
    return shown;
  }

  /**
   * Every word said is in a cue, and every cue begins in the frame in which its first word does.
   */
  @Test
  void captionsBeginWithTheirWords() throws IOException {
    for (JsonNode clip : clips()) {
      List<Said> said = said(clip);
      int at = 0;
      for (Shown cue : shown(clip)) {
        assertThat(said.subList(at, at + cue.words().size()).stream().map(Said::bare))
            .isEqualTo(cue.words());
        assertThat(cue.start()).isCloseTo(said.get(at).start(), within(FRAME));
        at += cue.words().size();
      }
      assertThat(at).isEqualTo(said.size());
    }
  }

  /**
   * Burnt captions read back by tesseract: a caption stands in the second frame after its beginning
   * and does not in the second frame before it.
   */
  @Test
  void burntCaptionsStandFromTheirFrameOn() throws IOException {
    int read = 0;
    int asked = 0;
    for (JsonNode clip : clips()) {
      List<Shown> cues = shown(clip);
      for (int k = 1; k < cues.size(); k++) {
        List<String> own = new ArrayList<>(cues.get(k).words());
        own.removeAll(cues.get(k - 1).words());
        own.removeIf(w -> w.length() < 4);
        if (own.isEmpty() || asked >= MOST_READ) {
          continue;
        }
        asked++;
        double begins = cues.get(k).start();
        String before = Eye.readText(file(clip, 0), begins - 1.5 * FRAME, folder);
        String after = Eye.readText(file(clip, 0), begins + 1.5 * FRAME, folder);
        assertThat(List.of(before.split(" "))).doesNotContainAnyElementsOf(own);
        read += List.of(after.split(" ")).stream().anyMatch(own::contains) ? 1 : 0;
      }
    }
    assertThat(asked).isGreaterThanOrEqualTo(6);
    assertThat(read).as("captions that tesseract could read").isGreaterThanOrEqualTo(asked - 1);
  }

  /** Sound of the file against the recording: every kept span lies where the cut list says. */
  @Test
  void soundAndPictureAreWhereTheCutListSaysWithinAFrame() {
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
      assertThat(duration).isCloseTo(played, within(2 * FRAME));
      assertThat(
              Double.parseDouble(
                  Eye.probe(file(clip, 0), "stream=nb_read_packets").replaceAll("[^\\d].*", "")))
          .isCloseTo(played / FRAME, within(1.0));
    }
    assertThat(compared).isGreaterThanOrEqualTo(4);
  }

  private static double at(JsonNode node, String name) {
    return node.path(name).asDouble();
  }

  /** Two panes, windows without gap, and the window that comes nearer told by its frames. */
  @Test
  void theFramingAskedForIsToldStretchByStretch() throws IOException {
    Path framed = folder.resolve("framed");
    ChildProcess.Outcome outcome =
        Command.here(
            "batch",
            "--media",
            episode.camera().toString(),
            "--transcript",
            episode.transcript().toString(),
            "--clips",
            "1",
            "--length",
            "6-12",
            "--specs",
            folder.resolve("specs.json").toString(),
            "--spec",
            "smaller-feed-square",
            "--layout",
            "stacked",
            "--liveliness",
            "lively",
            "--push-ins",
            "12",
            "--out",
            framed.toString());
    assertThat(outcome.exit()).as(outcome.errors()).isZero();
    JsonNode made =
        new JsonMapper().readTree(Files.readString(framed.resolve("report.json"))).path("clips");
    JsonNode pick =
        new JsonMapper()
            .readTree(Files.readString(framed.resolve("report.json")))
            .path("picks")
            .get(0);
    JsonNode file = made.get(0).path("files").get(0);
    double until = at(pick, "in");
    for (JsonNode window : file.path("windows")) {
      assertThat(at(window, "in")).as("without gap").isCloseTo(until, within(0.0011));
      until = at(window, "out");
      assertThat(window.path("panes")).hasSize(2);
      for (JsonNode pane : window.path("panes")) {
        assertThat(at(pane, "x")).isGreaterThanOrEqualTo(0);
        assertThat(at(pane, "x") + at(pane, "width")).isLessThanOrEqualTo(960.001);
        assertThat(at(pane, "width") / at(pane, "height")).isCloseTo(2, within(0.05));
      }
      assertThat(window.path("panes").get(0).path("person").asInt())
          .isNotEqualTo(window.path("panes").get(1).path("person").asInt());
    }
    assertThat(until).isCloseTo(at(pick, "out"), within(0.0011));
    assertThat(Eye.probe(framed.resolve(file.path("file").asString()), "stream=width,height"))
        .startsWith(WIDTH + "," + WIDTH);
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
            "--push-ins",
            "900",
            "--out",
            folder.resolve("none").toString()
          },
          {
            "batch",
            "--media",
            episode.camera().toString(),
            "--layout",
            "sideways",
            "--out",
            folder.resolve("none").toString()
          },
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
      ChildProcess.Outcome outcome = Command.here(arguments);
      assertThat(outcome.exit()).as(String.join(" ", arguments)).isEqualTo(2);
      assertThat(outcome.errors().strip().lines().count()).as(outcome.errors()).isEqualTo(1);
    }
    assertThat(folder.resolve("none")).doesNotExist();
  }

  @Test
  void toolsAnswerInJson() {
    JsonMapper json = new JsonMapper();
    JsonNode fillers =
        json.readTree(Command.here("tool", "fillers", episode.transcript().toString()).text());
    assertThat(fillers)
        .anyMatch(f -> f.path("text").asString().equals("Um,") && f.path("sure").asBoolean());
    assertThat(json.readTree(Command.here("tool", "specs").text())).hasSize(6);
    JsonNode faces =
        json.readTree(Command.here("tool", "faces", episode.camera().toString()).text());
    long both = faces.valueStream().filter(f -> f.path("faces").size() == 2).count();
    assertThat(both / (double) faces.size())
        .as("share of pictures with both faces")
        .isGreaterThanOrEqualTo(0.95);
    JsonNode path =
        json.readTree(
            Command.here(
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
            json.readTree(Command.here("tool", "repeats", episode.transcript().toString()).text())
                .isArray())
        .isTrue();
    JsonNode pauses =
        json.readTree(Command.here("tool", "pauses", episode.camera().toString()).text());
    assertThat(pauses.size()).isGreaterThan(5);
  }

  /** What the mouths of the drawn people show, against who was cast to say it. */
  @Test
  void withoutATranscriptWhoSpeaksIsSeenByTheirMouths() throws IOException {
    JsonMapper json = new JsonMapper();
    JsonNode path =
        json.readTree(Command.here("tool", "crop-path", episode.camera().toString()).text());
    JsonNode words = json.readTree(Files.readString(episode.transcript())).path("words");
    double all = 0;
    double[] right = new double[2];
    for (JsonNode word : words) {
      double middle = (word.path("start").asDouble() + word.path("end").asDouble()) / 2;
      double seconds = word.path("end").asDouble() - word.path("start").asDouble();
      for (JsonNode window : path) {
        if (window.path("in").asDouble() <= middle && middle < window.path("out").asDouble()) {
          boolean same = window.path("person").asInt() == word.path("speaker").asInt();
          right[same ? 0 : 1] += seconds;
          all += seconds;
        }
      }
    }
    assertThat(Math.max(right[0], right[1]) / all).isGreaterThanOrEqualTo(0.95);
  }
}
