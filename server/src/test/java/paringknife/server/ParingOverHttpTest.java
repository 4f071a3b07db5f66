package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.formats.EditDecisionList;
import paringknife.core.formats.EditEvent;
import paringknife.core.time.FrameRate;
import tools.jackson.databind.JsonNode;

/**
 * Versions, fitting, counting before paring, sound and cut lists of a clip, through the real
 * application.
 */
class ParingOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static JsonNode clip() throws Exception {
    return APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
  }

  private static String path(JsonNode clip) {
    return "/api/clips/" + clip.path("id").asLong();
  }

  private static JsonNode change(JsonNode clip, String intent) throws Exception {
    APP.post(
        path(clip) + "/changes",
        "{\"revision\":" + clip.path("revision").asInt() + ",\"intent\":" + intent + "}");
    return APP.get(path(clip));
  }

  private static List<String> words(JsonNode comparison, String side) {
    List<String> heard = new ArrayList<>();
    for (JsonNode word : comparison.path("words")) {
      if (word.path(side).asBoolean()) {
        heard.add(word.path("text").asString());
      }
    }
    return heard;
  }

  @Test
  void keptVersionsAreComparedAndReturnedTo() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":0,\"last\":0}");
    JsonNode early = APP.post(path(clip) + "/versions", "{\"name\":\"  Without the um \"}").get(0);
    assertThat(early.path("name").asString()).isEqualTo("Without the um");
    clip = change(clip, "{\"type\":\"pareWords\",\"first\":5,\"last\":11}");
    clip = change(clip, "{\"type\":\"putBackWords\",\"first\":0,\"last\":0}");
    JsonNode compared =
        APP.get(path(clip) + "/versions/" + early.path("id").asLong() + "/comparison");
    assertThat(words(compared, "inFirst")).startsWith("the", "ice").hasSize(11);
    assertThat(words(compared, "inSecond")).containsExactly("Um,", "the", "ice", "came", "up.");
    assertThat(compared.path("secondLengthUs").asLong())
        .isEqualTo(clip.path("pared").path("lengthUs").asLong())
        .isLessThan(compared.path("firstLengthUs").asLong());

    APP.post(
        path(clip) + "/versions/" + early.path("id").asLong() + "/return",
        "{\"revision\":" + clip.path("revision").asInt() + "}");
    JsonNode back = APP.get(path(clip));
    assertThat(back.path("pared").path("lengthUs").asLong())
        .isEqualTo(compared.path("firstLengthUs").asLong());
    APP.post(path(clip) + "/undo", "{\"revision\":" + back.path("revision").asInt() + "}");
    assertThat(APP.get(path(clip)).path("pared").path("kept"))
        .as("a return is a step like any other")
        .isEqualTo(clip.path("pared").path("kept"));
  }

  @Test
  void aVersionIsKeptBeforeEachSweepingStep() throws Exception {
    JsonNode clip = clip();
    JsonNode pared =
        change(
            clip,
            "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.4,\"head\":0.02,\"tail\":0.15}");
    JsonNode versions = APP.get(path(clip) + "/versions");
    assertThat(versions).hasSize(1);
    assertThat(versions.get(0).path("lengthUs").asLong())
        .isEqualTo(clip.path("pared").path("lengthUs").asLong())
        .isGreaterThan(pared.path("pared").path("lengthUs").asLong());
    change(pared, "{\"type\":\"pareWords\",\"first\":4,\"last\":4}");
    assertThat(APP.get(path(clip) + "/versions")).as("one word is no sweeping step").hasSize(1);
  }

  @Test
  void aDuplicateGoesItsOwnWay() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":2,\"last\":3}");
    JsonNode twin = APP.post(path(clip) + "/duplicate", "{}");
    assertThat(twin.path("delivered").path("title").asString()).isEqualTo("Ice, copy");
    assertThat(twin.path("pared").path("kept")).isEqualTo(clip.path("pared").path("kept"));
    change(twin, "{\"type\":\"pareWords\",\"first\":7,\"last\":8}");
    assertThat(APP.get(path(clip))).isEqualTo(clip);
  }

  private static JsonNode prospect(JsonNode clip, String settings, String way) throws Exception {
    return APP.get(path(clip) + "/prospects?" + settings)
        .valueStream()
        .filter(p -> p.path("way").asString().equals(way))
        .findFirst()
        .orElseThrow();
  }

  /** The count shown before paring is what paring then does. */
  @Test
  void whatIsCountedBeforeIsWhatGoes() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":4,\"last\":4}");
    String settings = "thresholdDb=-38&shortest=0.4&head=0.02&tail=0.15";
    JsonNode pauses = prospect(clip, settings, "PAUSES");
    assertThat(pauses.path("count").asInt()).isPositive();
    assertThat(pauses.path("called").asString()).isEqualTo("Pauses");
    assertThat(pauses.path("spans")).hasSize(pauses.path("count").asInt());
    JsonNode pared =
        change(
            clip,
            "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.4,\"head\":0.02,\"tail\":0.15}");
    assertThat(
            clip.path("pared").path("lengthUs").asLong()
                - pared.path("pared").path("lengthUs").asLong())
        .isEqualTo(pauses.path("us").asLong());
    assertThat(prospect(clip, settings, "PAUSES").path("count").asInt()).isZero();
    JsonNode fillers = prospect(clip, settings, "SURE_FILLERS");
    JsonNode without = change(pared, "{\"type\":\"pareFillers\"}");
    assertThat(
            pared.path("pared").path("lengthUs").asLong()
                - without.path("pared").path("lengthUs").asLong())
        .isEqualTo(fillers.path("us").asLong());
  }

  @Test
  void aFitTakesLessHarmFirstAndReplansWhatIsDeclined() throws Exception {
    JsonNode clip = clip();
    long target = clip.path("pared").path("lengthUs").asLong() - 2_000_000;
    JsonNode plan = APP.get(path(clip) + "/fit?targetUs=" + target);
    assertThat(plan.path("fits").asBoolean()).isTrue();
    assertThat(plan.path("steps").get(0).path("kind").asString()).isEqualTo("PAUSES");
    JsonNode other =
        APP.get(path(clip) + "/fit?targetUs=" + target + "&declined=PAUSES,TIGHTER_PAUSES");
    long gained = 0;
    for (JsonNode step : other.path("steps")) {
      boolean declined = step.path("kind").asString().endsWith("PAUSES");
      assertThat(step.path("declined").asBoolean())
          .as(step.path("kind").asString())
          .isEqualTo(declined);
      gained += declined || !step.path("needed").asBoolean() ? 0 : step.path("gainUs").asLong();
    }
    assertThat(other.path("fits").asBoolean())
        .as("whether what is left gives enough")
        .isEqualTo(clip.path("pared").path("lengthUs").asLong() - gained <= target);
    assertThat(
            APP.send(
                    HttpRequest.newBuilder()
                        .uri(URI.create(APP.address() + path(clip) + "/fit?targetUs=500000")))
                .body())
        .contains("less than a second");
  }

  /** Gap, room and words come as the sound of the clip, as long as they play. */
  @Test
  void thePartsOfAClipsSoundAreAsLongAsTheyPlay() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"putGap\",\"word\":3,\"seconds\":1.5}");
    clip = change(clip, "{\"type\":\"treatWords\",\"first\":6,\"last\":6,\"means\":\"MUTE\"}");
    try (AudioInputStream sound =
        AudioSystem.getAudioInputStream(
            new ByteArrayInputStream(
                APP.getBytes(path(clip) + "/sound?fromUs=2000000&toUs=5250000")))) {
      assertThat(sound.getFormat().getSampleRate()).isEqualTo(48_000);
      assertThat(sound.getFrameLength()).isEqualTo(Math.round(3.25 * 48_000));
    }
  }

  @Test
  void theCutListHasItsHandlesWithinTheRecording() throws Exception {
    JsonNode clip = change(clip(), "{\"type\":\"pareWords\",\"first\":3,\"last\":6}");
    String plain =
        new String(APP.getBytes(path(clip) + "/cut-list?format=edl"), StandardCharsets.UTF_8);
    String handled =
        new String(
            APP.getBytes(path(clip) + "/cut-list?format=edl&handles=10"), StandardCharsets.UTF_8);
    FrameRate rate = new FrameRate(25, 1);
    List<EditEvent> exact = EditDecisionList.read(plain, rate);
    List<EditEvent> wider = EditDecisionList.read(handled, rate);
    assertThat(exact).hasSize(2).hasSameSizeAs(wider);
    for (int i = 0; i < exact.size(); i++) {
      assertThat(wider.get(i).sourceFrame())
          .isBetween(Math.max(0, exact.get(i).sourceFrame() - 10), exact.get(i).sourceFrame());
      assertThat(wider.get(i).count()).isBetween(exact.get(i).count(), exact.get(i).count() + 20);
    }
    assertThat(wider.get(1).count()).isGreaterThan(exact.get(1).count());
    HttpResponse<String> odd =
        APP.send(
            HttpRequest.newBuilder()
                .uri(URI.create(APP.address() + path(clip) + "/cut-list?format=doc")));
    assertThat(odd.statusCode()).isEqualTo(422);
  }

  @Test
  void captionsComeApartFromWhatPlays() throws Exception {
    JsonNode clip =
        change(
            clip(), "{\"type\":\"treatWords\",\"first\":1,\"last\":1,\"means\":\"CAPTIONS_ONLY\"}");
    JsonNode cues = APP.get(path(clip) + "/cues");
    List<String> texts = cues.findValues("text").stream().map(JsonNode::asString).toList();
    assertThat(texts).contains("ice").doesNotContain("the");
    String script = new String(APP.getBytes(path(clip) + "/captions.ass"), StandardCharsets.UTF_8);
    assertThat(script).contains("[V4+ Styles]").contains("Dialogue:");
    assertThat(APP.get(path(clip) + "/preview").path("runs")).isNotEmpty();
  }
}
