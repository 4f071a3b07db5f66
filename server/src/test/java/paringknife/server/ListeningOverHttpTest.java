package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.media.process.ChildProcess;
import paringknife.media.speech.Flite;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Words pasted, typed, recognised and told apart, of a recording in which flite speaks. */
class ListeningOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final JsonMapper JSON = new JsonMapper();
  private static final String SAID =
      "The tide comes up the creek and fills the pond behind a gate. Nobody had told me that a mill can freeze.";

  @BeforeAll
  static void speak() {
    new Flite("slt", 1.1).speak(SAID, APP.media().resolve("said.wav"));
  }

  /** A copy of the recording, since one recording is one episode. */
  private static String recording(String name) {
    Path copy = APP.media().resolve(name);
    ChildProcess.run(
        List.of("cp", APP.media().resolve("said.wav").toString(), copy.toString()),
        null,
        Duration.ofSeconds(10));
    return name;
  }

  private static long add(String file, String words) throws Exception {
    return APP.post(
            "/api/episodes",
            "{\"show\":\"S\",\"title\":\"T\",\"recording\":\""
                + recording(file)
                + "\",\"transcript\":\"\","
                + words
                + "}")
        .path("id")
        .asLong();
  }

  private static JsonNode transcript(long id) throws Exception {
    return APP.get("/api/episodes/" + id + "/transcript");
  }

  private static String text(long id) throws Exception {
    return String.join(
        " ",
        StreamSupport.stream(transcript(id).path("text").spliterator(), false)
            .map(JsonNode::asString)
            .toList());
  }

  private static void correct(long id, String intent) throws Exception {
    APP.post(
        "/api/episodes/" + id + "/transcript/changes",
        "{\"revision\":" + transcript(id).path("revision").asInt() + ",\"intent\":" + intent + "}");
  }

  private static void undo(long id) throws Exception {
    APP.post(
        "/api/episodes/" + id + "/transcript/undo",
        "{\"revision\":" + transcript(id).path("revision").asInt() + "}");
  }

  private static void listen(long id, String work) throws Exception {
    APP.postAny("/api/episodes/" + id + "/words", "{\"work\":\"" + work + "\"}");
    APP.awaitReady(id);
  }

  @Test
  void whatAPastedTextHasTooMuchIsShownUntilItWasLookedAt() throws Exception {
    String pasted =
        SAID.replace("Nobody", "Seven yellow umbrellas danced across purple mountains. Nobody");
    long id = add("pasted.wav", "\"text\":" + JSON.writeValueAsString(pasted));
    APP.awaitReady(id);
    assertThat(text(id)).isEqualTo(pasted);
    JsonNode unheard = APP.get("/api/episodes/" + id + "/misfits").path("unheard");
    assertThat(unheard).hasSize(1);
    assertThat(unheard.get(0).path("text").asString()).contains("yellow umbrellas danced");
    assertThat(RunningApplication.find(APP.get("/api/shelf"), id).path("problem").asString())
        .contains("1 stretch of it was not heard");
    for (int word = unheard.get(0).path("first").asInt();
        word <= unheard.get(0).path("last").asInt();
        word++) {
      correct(id, "{\"type\":\"accept\",\"word\":" + word + "}");
    }
    assertThat(APP.get("/api/episodes/" + id + "/misfits").path("unheard")).isEmpty();
  }

  @Test
  void aTypedTextGoesWhereItWasHeardAndCanBeTimed() throws Exception {
    long id = add("typed.wav", "\"typed\":true");
    APP.awaitReady(id);
    assertThat(text(id)).isEmpty();
    correct(
        id,
        "{\"type\":\"typeIn\",\"text\":\"Nobody had told me that a mill can freeze.\",\"startUs\":4000000,\"endUs\":7000000,\"speaker\":\"Ada\"}");
    correct(
        id,
        "{\"type\":\"typeIn\",\"text\":\"The tide comes up the creek and fills the pond behind a gate.\",\"startUs\":0,\"endUs\":4000000,\"speaker\":\"\"}");
    assertThat(text(id)).isEqualTo(SAID);
    assertThat(transcript(id).path("speakers").get(0).asString()).isEqualTo("Ada");
    String typed = transcript(id).path("startUs").toString();
    listen(id, "TIME");
    assertThat(transcript(id).path("startUs").toString()).isNotEqualTo(typed);
    assertThat(transcript(id).path("undo").asString()).isEqualTo("time against the sound");
    undo(id);
    assertThat(transcript(id).path("startUs").toString()).isEqualTo(typed);
  }

  @Test
  void anotherTextAndANewRecognitionMoveNoCutAndCanBeUndone() throws Exception {
    long id = add("again.wav", "\"text\":" + JSON.writeValueAsString(SAID));
    APP.awaitReady(id);
    JsonNode before = transcript(id);
    JsonNode clip =
        APP.post(
            "/api/episodes/" + id + "/clips",
            "{\"firstWord\":0,\"lastWord\":12,\"title\":\"Tide\"}");
    APP.postAny(
        "/api/episodes/" + id + "/transcript-text",
        "{\"text\":"
            + JSON.writeValueAsString(
                SAID.replace("fills", "fills up").replace("told me", "told us"))
            + "}");
    APP.awaitReady(id);
    assertThat(text(id)).contains("fills up the pond").contains("told us");
    assertThat(transcript(id).path("ids").get(0)).isEqualTo(before.path("ids").get(0));
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong()).path("pared").path("kept"))
        .isEqualTo(clip.path("pared").path("kept"));
    listen(id, "RECOGNISE");
    assertThat(text(id)).isNotEqualTo(SAID).doesNotContain("gate. ");
    assertThat(APP.get("/api/clips/" + clip.path("id").asLong()).path("pared").path("kept"))
        .isEqualTo(clip.path("pared").path("kept"));
    for (int i = 0; i < 5 && !transcript(id).path("undo").isNull(); i++) {
      undo(id);
    }
    assertThat(text(id)).isEqualTo(SAID);
  }

  /**
   * The camera hears the talk in noise; the microphone began a second and a half before it and
   * hears it well.
   */
  @Test
  void wordsAreListenedForInTheSoundThatWasChosenAndStandOnTheEpisodesClock() throws Exception {
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            APP.media().resolve("said.wav").toString(),
            "-f",
            "lavfi",
            "-i",
            "anoisesrc=a=0.02:r=16000:seed=7",
            "-filter_complex",
            "[0][1]amix=duration=first:normalize=0",
            APP.media().resolve("camera.wav").toString()),
        null,
        Duration.ofMinutes(1));
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-i",
            APP.media().resolve("said.wav").toString(),
            "-af",
            "adelay=1500:all=1",
            APP.media().resolve("clip-on.wav").toString()),
        null,
        Duration.ofMinutes(1));
    long id =
        APP.post(
                "/api/episodes",
                "{\"show\":\"S\",\"title\":\"T\",\"recording\":\"camera.wav\",\"transcript\":\"\",\"text\":"
                    + JSON.writeValueAsString(SAID)
                    + ",\"microphones\":[{\"file\":\"clip-on.wav\",\"speaker\":\"Ada\"}]}")
            .path("id")
            .asLong();
    APP.awaitReady(id);
    JsonNode sounds = APP.get("/api/episodes/" + id + "/sounds");
    assertThat(sounds.path("separate").get(0).path("offsetUs").asLong())
        .isBetween(-1_505_000L, -1_495_000L);
    assertThat(sounds.path("listened").isNull()).isTrue();
    double end = transcript(id).path("endUs").get(20).asDouble();
    String same =
        "{\"separate\":[{\"speaker\":\"Ada\",\"nudgeUs\":0,\"heard\":true}],\"listened\":%d}";
    assertThat(put(id, String.format(same, 5)).statusCode()).isEqualTo(422);
    assertThat(put(id, String.format(same, 0)).statusCode()).isEqualTo(200);
    assertThat(APP.get("/api/episodes/" + id + "/sounds").path("listened").asInt()).isZero();
    listen(id, "TIME");
    assertThat(transcript(id).path("endUs").get(20).asDouble()).isCloseTo(end, within(60_000.0));
  }

  private static HttpResponse<String> put(long id, String body) throws Exception {
    return APP.send(
        HttpRequest.newBuilder(URI.create(APP.address() + "/api/episodes/" + id + "/sounds"))
            .header("Content-Type", "application/json")
            .PUT(HttpRequest.BodyPublishers.ofString(body)));
  }

  @Test
  void aPictureWithoutSoundIsRefusedAndNothingIsShelved() throws Exception {
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
            "testsrc2=s=320x180",
            "-t",
            "1",
            APP.media().resolve("mute.mp4").toString()),
        null,
        Duration.ofMinutes(1));
    int before = APP.get("/api/shelf").size();
    HttpResponse<String> refused =
        APP.postAny(
            "/api/episodes",
            "{\"show\":\"S\",\"title\":\"T\",\"recording\":\"mute.mp4\",\"transcript\":\"\"}");
    assertThat(refused.statusCode()).isEqualTo(422);
    assertThat(refused.body())
        .contains("mute.mp4 has no sound, so there is nothing to read or pare.");
    assertThat(APP.get("/api/shelf")).hasSize(before);
  }

  @Test
  void silenceHasNoWordsAndSaysSo() throws Exception {
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
            "anullsrc=r=48000",
            "-t",
            "4",
            APP.media().resolve("silent.wav").toString()),
        null,
        Duration.ofMinutes(1));
    long id =
        APP.post(
                "/api/episodes",
                "{\"show\":\"S\",\"title\":\"T\",\"recording\":\"silent.wav\",\"transcript\":\"\"}")
            .path("id")
            .asLong();
    APP.awaitReady(id);
    assertThat(text(id)).isEmpty();
    assertThat(APP.get("/api/episodes/" + id + "/pick-limits").toString()).contains("no words yet");
  }

  @Test
  void workAskedForOnWordsIsLetGoOf() throws Exception {
    long id = add("let-go.wav", "\"text\":" + JSON.writeValueAsString(SAID));
    APP.awaitReady(id);
    APP.postAny("/api/episodes/" + id + "/words", "{\"work\":\"RECOGNISE\"}");
    assertThat(APP.post("/api/episodes/" + id + "/ingest/stop", "{}").path("state").asString())
        .isEqualTo("READY");
    APP.awaitIdle();
    assertThat(text(id)).isEqualTo(SAID);
    assertThat(RunningApplication.find(APP.get("/api/shelf"), id).path("state").asString())
        .isEqualTo("READY");
  }

  @Test
  void whatIsStoppedStaysStoppedUntilItIsTakenUpAgain() throws Exception {
    long id = add("stopped.wav", "\"text\":\"\"");
    assertThat(APP.post("/api/episodes/" + id + "/ingest/stop", "{}").path("state").asString())
        .isEqualTo("STOPPED");
    APP.awaitIdle();
    assertThat(RunningApplication.find(APP.get("/api/shelf"), id).path("state").asString())
        .isEqualTo("STOPPED");
    assertThat(APP.postAny("/api/episodes/" + id + "/ingest/stop", "{}").statusCode())
        .isEqualTo(409);
    for (int i = 0; i < 3; i++) {
      APP.post("/api/episodes/" + id + "/ingest", "{}");
      APP.post("/api/episodes/" + id + "/ingest/stop", "{}");
    }
    APP.post("/api/episodes/" + id + "/ingest", "{}");
    APP.awaitReady(id);
    assertThat(text(id)).isNotEmpty();
  }
}
