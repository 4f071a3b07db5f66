package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.DataInputStream;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;

/** An episode of two cameras through the real application: taken in, chosen, previewed. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CamerasOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final int SECONDS = 12;

  private long episode;
  private long clip;
  private int firstCameraWide;

  private static void ffmpeg(String... arguments) {
    List<String> command =
        new java.util.ArrayList<>(List.of("ffmpeg", "-nostdin", "-y", "-v", "error"));
    command.addAll(List.of(arguments));
    ChildProcess.run(command, null, Duration.ofMinutes(2));
  }

  /** Noise that swells, so that its place can be heard. */
  private static void film(Path file, String size, double later, boolean sounds) {
    ffmpeg(
        "-f",
        "lavfi",
        "-i",
        "testsrc2=s=" + size + ":r=25:d=" + SECONDS,
        "-f",
        "lavfi",
        "-i",
        "aevalsrc='(random(0)-0.5)*(0.2+0.8*pow(sin(2*PI*t*t/9),2))':s=48000:d=" + SECONDS,
        "-ss",
        Double.toString(later),
        "-pix_fmt",
        "yuv420p",
        "-c:v",
        "libx264",
        "-preset",
        "ultrafast",
        sounds ? "-c:a" : "-an",
        sounds ? "aac" : "-y",
        file.toString());
  }

  @BeforeAll
  void takeIn() throws Exception {
    film(APP.media().resolve("wide.mp4"), "640x360", 0, true);
    film(APP.media().resolve("close.mp4"), "320x240", 1.5, true);
    film(APP.media().resolve("silent.mp4"), "320x240", 0, false);
    film(APP.media().resolve("other.mp4"), "320x240", 0, true);
    episode =
        APP.post(
                "/api/episodes",
                "{\"show\":\"S\",\"title\":\"Two cameras\",\"recording\":\"wide.mp4\","
                    + "\"text\":\"One two three four five six.\","
                    + "\"microphones\":[{\"file\":\"close.mp4\",\"speaker\":\"\"}]}")
            .path("id")
            .asLong();
    for (int i = 0; i < 600 && !state().equals("READY"); i++) {
      assertThat(state()).isNotEqualTo("FAILED");
      Thread.sleep(100);
    }
    clip =
        APP.post(
                "/api/episodes/" + episode + "/clips",
                "{\"firstWord\":0,\"lastWord\":5,\"title\":\"Both\"}")
            .path("id")
            .asLong();
    firstCameraWide = card().path("cameras").get(0).path("width").asInt();
  }

  private String state() throws Exception {
    for (JsonNode item : APP.get("/api/shelf")) {
      if (item.path("id").asLong() == episode) {
        return item.path("state").asString();
      }
    }
    return "";
  }

  private JsonNode card() throws Exception {
    return APP.get("/api/episodes/" + episode);
  }

  private int change(String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    return APP.postAny(
            "/api/clips/" + clip + "/changes",
            "{\"revision\":" + revision + ",\"intent\":" + intent + "}")
        .statusCode();
  }

  private JsonNode preview() throws Exception {
    return APP.get("/api/clips/" + clip + "/preview");
  }

  @Test
  void bothArePicturesOfTheEpisodeAndTheSecondIsLinedUpButNotHeard() throws Exception {
    assertThat(card().path("cameras")).hasSize(2);
    assertThat(card().path("width").asInt()).isEqualTo(1280);
    assertThat(card().path("height").asInt()).isEqualTo(360);
    assertThat(card().path("cameras").get(1).path("x").asInt()).isEqualTo(640);
    JsonNode sound = APP.get("/api/episodes/" + episode + "/sounds").path("separate").get(0);
    assertThat(sound.path("heard").asBoolean()).isFalse();
    assertThat(sound.path("offsetUs").asLong()).isBetween(1_480_000L, 1_520_000L);
  }

  @Test
  void aCameraIsCutToAndLetGoAndThoseThatAreNotThereAreRefused() throws Exception {
    assertThat(change("{\"type\":\"cutTo\",\"atUs\":4000000,\"camera\":1}")).isEqualTo(200);
    assertThat(lefts(preview())).contains(0).anyMatch(x -> x >= firstCameraWide);
    JsonNode cut = APP.get("/api/clips/" + clip).path("framed").path("cameras").get(0);
    assertThat(cut.path("camera").asInt()).isEqualTo(1);
    for (String wrong :
        List.of(
            "{\"type\":\"cutTo\",\"atUs\":4000000,\"camera\":2}",
            "{\"type\":\"cutTo\",\"atUs\":4000000,\"camera\":-2}",
            "{\"type\":\"cutTo\",\"atUs\":-1,\"camera\":0}",
            "{\"type\":\"cutTo\",\"atUs\":99000000000,\"camera\":0}",
            "{\"type\":\"cutTo\",\"atUs\":\"soon\",\"camera\":0}")) {
      assertThat(change(wrong)).as(wrong).isBetween(400, 499);
    }
    assertThat(change("{\"type\":\"dropCameraCuts\",\"ids\":[" + cut.path("id") + "]}"))
        .isEqualTo(200);
    assertThat(lefts(preview())).allMatch(x -> x < firstCameraWide);
  }

  @Test
  void coloursAreMatchedUndoneAndALookIsProposed() throws Exception {
    assertThat(change("{\"type\":\"matchColours\",\"camera\":0}")).isEqualTo(200);
    JsonNode matched = APP.get("/api/clips/" + clip);
    JsonNode colours = matched.path("framed").path("colours");
    assertThat(colours.path("camera").asInt()).isZero();
    assertThat(colours.path("maps")).hasSize(2);
    assertThat(colours.path("maps").get(0).path("lumaTimes").asDouble()).isEqualTo(1);
    APP.post("/api/clips/" + clip + "/undo", "{\"revision\":" + matched.path("revision") + "}");
    JsonNode before = APP.get("/api/clips/" + clip).path("framed").path("colours");
    assertThat(before.path("camera").asInt()).isEqualTo(-1);
    for (String wrong : List.of("2", "-2", "\"one\"", "null")) {
      assertThat(change("{\"type\":\"matchColours\",\"camera\":" + wrong + "}"))
          .as(wrong)
          .isBetween(400, 499);
    }
    JsonNode look = APP.get("/api/clips/" + clip + "/look");
    assertThat(look.path("contrast").asDouble()).isBetween(0.8, 1.5);
    assertThat(change("{\"type\":\"changeLook\",\"look\":" + look + "}")).isEqualTo(200);
  }

  @Test
  void aLookIsProposedForOneCameraAlone() throws Exception {
    String path = "/api/clips/" + clip + "/look?camera=";
    JsonNode first = APP.get(path + 0);
    JsonNode second = APP.get(path + 1);
    assertThat(second.path("contrast").asDouble()).isBetween(0.8, 1.5);
    assertThat(change("{\"type\":\"changeCameraLook\",\"camera\":1,\"look\":" + second + "}"))
        .isEqualTo(200);
    assertThat(change("{\"type\":\"matchColours\",\"camera\":0}")).isEqualTo(200);
    assertThat(APP.get(path + 1)).as("made to look like the first").isEqualTo(first);
    assertThat(change("{\"type\":\"matchColours\",\"camera\":-1}")).isEqualTo(200);
    for (String wrong : List.of("-1", "2", "one", "99999999999")) {
      assertThat(APP.sent("GET", path + wrong, "").statusCode()).as(wrong).isBetween(400, 499);
    }
  }

  @Test
  void oneCameraLooksOtherwiseThanTheOthers() throws Exception {
    String warm =
        "{\"brightness\":0,\"contrast\":1.1,\"saturation\":1,\"warmth\":0.04,\"mirrored\":false}";
    assertThat(change("{\"type\":\"changeCameraLook\",\"camera\":1,\"look\":" + warm + "}"))
        .isEqualTo(200);
    JsonNode looks = APP.get("/api/clips/" + clip).path("framed").path("colours").path("looks");
    assertThat(looks).hasSize(2);
    assertThat(looks.get(0).path("contrast").asDouble()).isEqualTo(1);
    assertThat(looks.get(1).path("warmth").asDouble()).isEqualTo(0.04);
    assertThat(change("{\"type\":\"matchColours\",\"camera\":0}")).isEqualTo(200);
    assertThat(APP.get("/api/clips/" + clip).path("framed").path("colours").path("looks"))
        .as("what was done by hand stays")
        .isEqualTo(looks);
    for (String wrong :
        List.of(
            "\"camera\":2,\"look\":" + warm,
            "\"camera\":-1,\"look\":" + warm,
            "\"camera\":null,\"look\":null",
            "\"camera\":0,\"look\":null",
            "\"camera\":0",
            "\"camera\":0,\"look\":" + warm.replace("false", "true"))) {
      assertThat(change("{\"type\":\"changeCameraLook\"," + wrong + "}"))
          .as(wrong)
          .isBetween(400, 499);
    }
    assertThat(change("{\"type\":\"matchColours\",\"camera\":-1}")).isEqualTo(200);
  }

  /** Whether each segment's first window lies left of the second camera's picture. */
  private static List<Integer> lefts(JsonNode preview) {
    List<Integer> lefts = new java.util.ArrayList<>();
    JsonNode path = preview.path("path");
    int at = 0;
    while (at < path.size()) {
      int panes = path.get(at + 4).asInt();
      at += 5;
      for (int p = 0; p < panes; p++) {
        int windows = path.get(at + 5).asInt();
        double x = path.get(at + 6).asDouble();
        lefts.add(x < 640 ? 0 : (int) x);
        at += 6 + 4 * windows;
      }
    }
    return lefts;
  }

  @Test
  void aCameraWithoutSoundCannotBeLinedUp() throws Exception {
    var refused =
        APP.postAny(
            "/api/episodes",
            "{\"show\":\"S\",\"title\":\"Silent\",\"recording\":\"other.mp4\",\"text\":\"One.\","
                + "\"microphones\":[{\"file\":\"silent.mp4\",\"speaker\":\"\"}]}");
    assertThat(refused.statusCode()).isBetween(400, 499);
    assertThat(refused.body()).contains("no sound");
  }

  /** Nobody is in these pictures, so that nothing of them is exchanged. */
  @Test
  void whatPeopleAreIsCutOutWhenItIsAskedFor() throws Exception {
    String path = "/api/episodes/" + episode + "/mattes/";
    int status = APP.sent("GET", path + 0, "").statusCode();
    assertThat(status).isIn(200, 202);
    for (int i = 0; i < 300 && status == 202; i++) {
      Thread.sleep(100);
      status = APP.sent("GET", path + 0, "").statusCode();
    }
    assertThat(status).isEqualTo(200);
    try (DataInputStream in =
        new DataInputStream(
            new GZIPInputStream(new ByteArrayInputStream(APP.getBytes(path + 0))))) {
      int size = in.readInt() * in.readInt();
      assertThat(in.readInt()).as("frames of two seconds").isEqualTo(50);
      byte[] all = in.readAllBytes();
      assertThat(all).hasSize(50 * size).containsOnly((byte) 255);
    }
    for (String wrong : List.of("-1", "7", "one", "99999999999", "99999999999999999999")) {
      assertThat(APP.sent("GET", path + wrong, "").statusCode()).as(wrong).isBetween(400, 499);
    }
    assertThat(change("{\"type\":\"changeBehind\",\"ground\":\"SOFT\"}"))
        .as("there is nobody to stand before it")
        .isEqualTo(422);
    for (String nothing : List.of("null", "")) {
      String ground = nothing.isEmpty() ? "" : ",\"ground\":" + nothing;
      assertThat(change("{\"type\":\"changeBehind\"" + ground + "}")).isEqualTo(200);
    }
    assertThat(change("{\"type\":\"changeBehind\",\"ground\":\"GREEN\"}")).isEqualTo(400);
  }
}
