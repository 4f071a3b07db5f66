package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.DynamicTest.dynamicTest;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Everything that can be asked of a clip, as the page asks it: each a step that goes back, each
 * refused when it makes no sense.
 */
class ClipIntentsOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final String PARE_A_PAUSE = "{\"type\":\"parePauseAfter\",\"word\":4}";
  private static final String CALL_OUT =
      "{\"type\":\"callOut\",\"first\":2,\"last\":5,\"text\":\"so  it froze\"}";
  private static final String PUT_A_GAP = "{\"type\":\"putGap\",\"word\":4,\"seconds\":0.5}";

  private static long repeated;

  /** The same tones as the other episode, under words of which some are said twice. */
  @BeforeAll
  static void addRepeats() throws Exception {
    StringBuilder words =
        new StringBuilder("{\"language\":\"en\",\"speakers\":[\"Ada\"],\"words\":[");
    String[] said = {
      "The", "mill", "pond", "froze", "The", "mill", "pond", "froze", "over", "that", "winter,",
      "twice."
    };
    for (int i = 0; i < said.length; i++) {
      double start = 0.5 + i * 0.9;
      words
          .append(i == 0 ? "" : ",")
          .append("{\"text\":\"")
          .append(said[i])
          .append("\",\"start\":")
          .append(start)
          .append(",\"end\":")
          .append(start + 0.3)
          .append(",\"speaker\":0}");
    }
    Files.writeString(APP.media().resolve("repeats.json"), words.append("]}").toString());
    Files.copy(APP.media().resolve("tones.mp4"), APP.media().resolve("twice.mp4"));
    repeated =
        APP.post(
                "/api/episodes",
                "{\"show\":\"Test\",\"title\":\"Twice\",\"recording\":\"twice.mp4\",\"transcript\":\"repeats.json\"}")
            .path("id")
            .asLong();
    APP.awaitReady(repeated);
  }

  private static JsonNode clip(long episode) throws Exception {
    return APP.post(
        "/api/episodes/" + episode + "/clips",
        "{\"firstWord\":0,\"lastWord\":11,\"title\":\"Ice\"}");
  }

  private static String path(JsonNode clip) {
    return "/api/clips/" + clip.path("id").asLong();
  }

  private static HttpResponse<String> ask(JsonNode clip, String intent) throws Exception {
    return APP.postAny(
        path(clip) + "/changes",
        "{\"revision\":" + clip.path("revision").asInt() + ",\"intent\":" + intent + "}");
  }

  private static JsonNode change(JsonNode clip, String intent) throws Exception {
    HttpResponse<String> answer = ask(clip, intent);
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    return APP.get(path(clip));
  }

  private static JsonNode stepTo(String way, JsonNode clip) throws Exception {
    APP.post(path(clip) + "/" + way, "{\"revision\":" + clip.path("revision").asInt() + "}");
    return APP.get(path(clip));
  }

  /** What a clip is, without where its log stands. */
  private static JsonNode content(JsonNode clip) {
    return ((ObjectNode) clip.deepCopy()).without(List.of("revision", "undo", "redo"));
  }

  private record Case(String intent, List<String> before, Consumer<JsonNode> expected) {}

  private static Case of(String intent, Consumer<JsonNode> expected, String... before) {
    return new Case(intent, List.of(before), expected);
  }

  private static void removals(JsonNode clip, String... reasons) {
    assertThat(
            clip.path("pared").path("removals").findValues("reason").stream()
                .map(JsonNode::asString)
                .toList())
        .containsExactly(reasons);
  }

  /** Each does what it says, is taken back as a whole, and comes again as it was. */
  @TestFactory
  Stream<DynamicTest> everyStepGoesBackAndOnAgain() {
    return Stream.of(
            of("{\"type\":\"pareWords\",\"first\":2,\"last\":4}", c -> removals(c, "BY_HAND")),
            of(PARE_A_PAUSE, c -> removals(c, "PAUSE")),
            of("{\"type\":\"pareFillers\"}", c -> removals(c, "FILLER")),
            of(
                "{\"type\":\"pareChosenFillers\",\"first\":[0],\"means\":\"ROOM_TONE\"}",
                c ->
                    assertThat(c.path("pared").path("removals").get(0).path("means").asString())
                        .isEqualTo("ROOM_TONE")),
            of(
                "{\"type\":\"treatWords\",\"first\":2,\"last\":2,\"means\":\"MUTE\"}",
                c ->
                    assertThat(c.path("pared").path("lengthUs"))
                        .isEqualTo(c.path("pared").path("originalUs"))),
            of(
                PUT_A_GAP,
                c ->
                    assertThat(c.path("pared").path("gaps").get(0).path("lengthUs").asLong())
                        .isEqualTo(500_000)),
            of(
                "{\"type\":\"changeGap\",\"id\":1,\"seconds\":1.25}",
                c ->
                    assertThat(c.path("pared").path("gaps").get(0).path("lengthUs").asLong())
                        .isEqualTo(1_250_000),
                PUT_A_GAP),
            of(
                "{\"type\":\"changeGap\",\"id\":1,\"seconds\":0}",
                c -> assertThat(c.path("pared").path("gaps")).isEmpty(),
                PUT_A_GAP),
            of(
                "{\"type\":\"moveCut\",\"id\":1,\"startUs\":4500000,\"endUs\":4600000}",
                c ->
                    assertThat(c.path("pared").path("cut").get(0).path("endUs").asLong())
                        .isEqualTo(4_600_000),
                PARE_A_PAUSE),
            of("{\"type\":\"putBackRemovals\",\"ids\":[1]}", c -> removals(c), PARE_A_PAUSE),
            of(
                "{\"type\":\"putBackReason\",\"reason\":\"PAUSE\"}",
                c -> removals(c, "BY_HAND"),
                PARE_A_PAUSE,
                "{\"type\":\"pareWords\",\"first\":2,\"last\":2}"),
            of(
                "{\"type\":\"putBackWords\",\"first\":2,\"last\":3}",
                c -> removals(c),
                "{\"type\":\"pareWords\",\"first\":2,\"last\":3}"),
            of(
                "{\"type\":\"moveWords\",\"first\":9,\"last\":11,\"before\":0}",
                c ->
                    assertThat(c.path("pared").path("pieces").get(0).path("from").asInt())
                        .isEqualTo(9)),
            of(
                "{\"type\":\"pullWords\",\"first\":5,\"last\":8,\"before\":-1}",
                c ->
                    assertThat(c.path("pared").path("pieces").get(1).path("from").asInt())
                        .isEqualTo(5),
                "{\"type\":\"pareWords\",\"first\":5,\"last\":8}"),
            of(
                "{\"type\":\"dropStretch\",\"place\":0}",
                c -> assertThat(c.path("pared").path("pieces")).hasSize(1),
                "{\"type\":\"moveWords\",\"first\":9,\"last\":11,\"before\":0}"),
            of(
                "{\"type\":\"setSpeed\",\"speed\":1.092}",
                c ->
                    assertThat(c.path("pared").path("lengthUs").asLong())
                        .isEqualTo(
                            Math.round(c.path("pared").path("originalUs").asLong() / 1.092))),
            of(
                "{\"type\":\"cleanUp\",\"hum\":true,\"noise\":false,\"even\":true,\"sibilance\":false}",
                c ->
                    assertThat(c.path("sounded").path("cleanup").path("even").asBoolean())
                        .isTrue()),
            of(
                "{\"type\":\"rename\",\"title\":\"  The   pond \"}",
                c ->
                    assertThat(c.path("delivered").path("title").asString()).isEqualTo("The pond")),
            of(
                "{\"type\":\"reframe\",\"shape\":\"1:1\",\"layout\":{\"type\":\"speaker\"}}",
                c ->
                    assertThat(c.path("framed").path("shape").path("height").asInt()).isEqualTo(1)),
            of(
                "{\"type\":\"setManner\",\"liveliness\":\"LIVELY\",\"tightness\":\"TO_THE_WAIST\"}",
                c ->
                    assertThat(c.path("framed").path("manner").path("liveliness").asString())
                        .isEqualTo("LIVELY")),
            of(
                "{\"type\":\"setByHand\",\"extent\":{\"type\":\"fromHere\",\"atUs\":1000000},\"shown\":{\"type\":\"laid\",\"layout\":{\"type\":\"whole\",\"ground\":\"SOFT\"}}}",
                c -> assertThat(c.path("framed").path("set").size()).isEqualTo(1)),
            of(
                "{\"type\":\"pushInOn\",\"span\":{\"startUs\":1000000,\"endUs\":2000000},\"share\":0.12,\"move\":\"GLIDE\",\"curve\":{\"x1\":0,\"y1\":0,\"x2\":1,\"y2\":1}}",
                c -> assertThat(c.path("framed").path("pushIns").size()).isEqualTo(1)),
            of(
                "{\"type\":\"alternate\",\"share\":0.08}",
                c -> assertThat(c.path("framed").path("alternating").asDouble()).isEqualTo(0.08)),
            of(
                "{\"type\":\"changeLook\",\"look\":{\"brightness\":0.1,\"contrast\":1.2,\"saturation\":1,\"warmth\":0,\"mirrored\":true}}",
                c ->
                    assertThat(c.path("framed").path("look").path("mirrored").asBoolean())
                        .isTrue()),
            of(
                "{\"type\":\"showNames\",\"names\":{\"shown\":true,\"lettering\":\"heron\",\"seconds\":2}}",
                c ->
                    assertThat(c.path("laidOver").path("names").path("lettering").asString())
                        .isEqualTo("heron")),
            of(
                CALL_OUT,
                c ->
                    assertThat(c.path("laidOver").path("callOuts").get(0).path("text").asString())
                        .isEqualTo("so it froze")),
            of(
                "{\"type\":\"dropCallOut\",\"firstWord\":2}",
                c -> assertThat(c.path("laidOver").path("callOuts")).isEmpty(),
                CALL_OUT),
            of(
                "{\"type\":\"setCallOuts\",\"lettering\":\"bell\"}",
                c ->
                    assertThat(c.path("laidOver").path("callOutLettering").asString())
                        .isEqualTo("bell")),
            of(
                "{\"type\":\"letter\",\"lettering\":\"ledger\"}",
                c ->
                    assertThat(c.path("lettered").path("lettering").asString())
                        .isEqualTo("ledger")),
            of(
                "{\"type\":\"askFor\",\"specs\":[\"vertical-60\",\"vertical-60\"]}",
                c -> assertThat(c.path("delivered").path("specs")).hasSize(1)))
        .map(c -> dynamicTest(c.intent(), () -> goesBackAndOnAgain(c)));
  }

  private static void goesBackAndOnAgain(Case asked) throws Exception {
    JsonNode before = clip(1);
    for (String intent : asked.before()) {
      before = change(before, intent);
    }
    JsonNode after = change(before, asked.intent());
    asked.expected().accept(after);
    JsonNode back = stepTo("undo", after);
    assertThat(content(back)).isEqualTo(content(before));
    assertThat(content(stepTo("redo", back))).isEqualTo(content(after));
  }

  /** A refusal says why in words of the trade and leaves the clip as it is. */
  @TestFactory
  Stream<DynamicTest> whatMakesNoSenseIsRefusedAndChangesNothing() {
    return Map.ofEntries(
            Map.entry("{\"type\":\"pareWords\",\"first\":5,\"last\":2}", "not in the transcript"),
            Map.entry("{\"type\":\"pareWords\",\"first\":0,\"last\":900}", "not in the transcript"),
            Map.entry(
                "{\"type\":\"moveCut\",\"id\":77,\"startUs\":1000000,\"endUs\":2000000}",
                "not there any more"),
            Map.entry(
                "{\"type\":\"moveCut\",\"id\":1,\"startUs\":2000000,\"endUs\":1000000}",
                "begin before it ends"),
            Map.entry("{\"type\":\"changeGap\",\"id\":77,\"seconds\":1}", "not there any more"),
            Map.entry("{\"type\":\"putGap\",\"word\":3,\"seconds\":-1}", "gap"),
            Map.entry("{\"type\":\"putGap\",\"word\":3,\"seconds\":100000}", "gap"),
            Map.entry("{\"type\":\"keepAttempt\",\"group\":0,\"attempt\":0}", "no such repeat"),
            Map.entry("{\"type\":\"dropStretch\",\"place\":9}", "stretch"),
            Map.entry("{\"type\":\"setSpeed\",\"speed\":2}", "1.15"),
            Map.entry(
                "{\"type\":\"parePauses\",\"thresholdDb\":12,\"shortest\":0.5,\"head\":0,\"tail\":0}",
                "threshold"),
            Map.entry("{\"type\":\"fit\",\"targetUs\":20000,\"ways\":[]}", "less than a second"),
            Map.entry(
                "{\"type\":\"reframe\",\"shape\":\"9:16\",\"layout\":{\"type\":\"one\",\"person\":4}}",
                "no such person"),
            Map.entry(
                "{\"type\":\"setByHand\",\"extent\":{\"type\":\"stretch\",\"span\":{\"startUs\":0,\"endUs\":999999999999}},\"shown\":{\"type\":\"laid\",\"layout\":{\"type\":\"middle\"}}}",
                "within the episode"),
            Map.entry(
                "{\"type\":\"setByHand\",\"extent\":{\"type\":\"shot\",\"atUs\":0},\"shown\":{\"type\":\"still\",\"window\":{\"middleX\":2,\"middleY\":0,\"height\":1}}}",
                "within the picture"),
            Map.entry(
                "{\"type\":\"reframe\",\"shape\":\"9:16\",\"layout\":{\"type\":\"conversation\",\"arrangement\":\"BESIDE\"}}",
                "not two people"),
            Map.entry("{\"type\":\"alternate\",\"share\":5}", "1 to 100 %"),
            Map.entry(
                "{\"type\":\"changeLook\",\"look\":{\"brightness\":9,\"contrast\":1,\"saturation\":1,\"warmth\":0,\"mirrored\":false}}",
                "so much"),
            Map.entry("{\"type\":\"changeBehind\",\"ground\":\"SOFT\"}", "nobody in the picture"),
            Map.entry("{\"type\":\"smoothSkin\",\"amount\":0.5}", "nobody in the picture"),
            Map.entry("{\"type\":\"letter\",\"lettering\":\"none\"}", "lettering"),
            Map.entry("{\"type\":\"setCallOuts\",\"lettering\":\"none\"}", "lettering"),
            Map.entry(
                "{\"type\":\"callOut\",\"first\":0,\"last\":900,\"text\":\"x\"}", "no such word"),
            Map.entry(
                "{\"type\":\"callOut\",\"first\":0,\"last\":1,\"text\":\" \"}",
                "1 to 120 characters"),
            Map.entry(
                "{\"type\":\"showNames\",\"names\":{\"shown\":true,\"lettering\":\"heron\",\"seconds\":60}}",
                "1 to 10 seconds"),
            Map.entry("{\"type\":\"askFor\",\"specs\":[\"none\"]}", "spec"),
            Map.entry("{\"type\":\"sing\"}", "not understood"))
        .entrySet()
        .stream()
        .map(
            e ->
                dynamicTest(
                    e.getKey(),
                    () -> {
                      JsonNode clip = clip(1);
                      HttpResponse<String> answer = ask(clip, e.getKey());
                      assertThat(answer.statusCode()).isIn(400, 422);
                      assertThat(APP.json(answer.body()).path("message").asString())
                          .contains(e.getValue());
                      assertThat(APP.get(path(clip))).isEqualTo(clip);
                    }));
  }

  @Test
  void ofWhatIsSaidTwiceTheLastStaysOrTheOneThatIsChosen() throws Exception {
    JsonNode clip = clip(repeated);
    JsonNode groups = APP.get(path(clip) + "/repeats");
    assertThat(groups).hasSize(1);
    assertThat(groups.get(0).path("attempts")).hasSize(2);
    JsonNode last = change(clip, "{\"type\":\"pareRepeats\"}");
    removals(last, "REPEAT");
    assertThat(last.path("pared").path("removals").get(0).path("text").asString())
        .isEqualTo("The mill pond froze");
    assertThat(last.path("pared").path("removals").get(0).path("span").path("endUs").asLong())
        .isLessThan(4_100_001);

    int group = groups.get(0).path("attempts").get(0).path("first").asInt();
    JsonNode first =
        change(last, "{\"type\":\"keepAttempt\",\"group\":" + group + ",\"attempt\":0}");
    removals(first, "REPEAT");
    assertThat(first.path("pared").path("removals").get(0).path("span").path("startUs").asLong())
        .isGreaterThan(
            last.path("pared").path("removals").get(0).path("span").path("startUs").asLong());
  }

  @Test
  void aJoinBetweenStretchesIsRolled() throws Exception {
    JsonNode clip =
        change(clip(1), "{\"type\":\"moveWords\",\"first\":9,\"last\":11,\"before\":0}");
    long out = clip.path("pared").path("stretches").get(0).path("endUs").asLong() - 40_000;
    long in = clip.path("pared").path("stretches").get(1).path("startUs").asLong() + 40_000;
    JsonNode rolled =
        change(
            clip, "{\"type\":\"moveSeam\",\"place\":1,\"outUs\":" + out + ",\"inUs\":" + in + "}");
    assertThat(rolled.path("pared").path("stretches").get(0).path("endUs").asLong()).isEqualTo(out);
    assertThat(rolled.path("pared").path("stretches").get(1).path("startUs").asLong())
        .isEqualTo(in);
    assertThat(rolled.path("pared").path("lengthUs").asLong())
        .isEqualTo(clip.path("pared").path("lengthUs").asLong() - 80_000);
  }
}
