package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.media.process.ChildProcess;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What strangers and other sites must not be able to do. */
class SafetyTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder().uri(URI.create(APP.address() + path));
  }

  @Test
  void pagesMayLoadNothingFromElsewhere() throws Exception {
    HttpResponse<String> page = APP.send(request("/").GET());
    String policy = page.headers().firstValue("Content-Security-Policy").orElse("");
    assertThat(page.statusCode()).isEqualTo(200);
    assertThat(policy)
        .contains("default-src 'none'")
        .doesNotContain("unsafe-inline")
        .doesNotContain(" 'unsafe-eval'")
        .doesNotContain("http");
  }

  @Test
  void otherNamesForThisAddressAreNotServed() throws Exception {
    assertThat(APP.send(request("/api/shelf").header("Host", "evil.invalid").GET()).statusCode())
        .isEqualTo(421);
  }

  @Test
  void otherSitesMayNotChangeAnything() throws Exception {
    HttpRequest.Builder forged =
        request("/api/episodes/1/clips")
            .header("Content-Type", "application/json")
            .header("Origin", "http://evil.invalid");
    assertThat(
            APP.send(
                    forged.POST(
                        HttpRequest.BodyPublishers.ofString(
                            "{\"firstWord\":0,\"lastWord\":1,\"title\":\"x\"}")))
                .statusCode())
        .isEqualTo(403);
    assertThat(APP.get("/api/episodes/1/clips")).isEmpty();
  }

  @Test
  void recordingsComeFromTheMediaFolderOnly() throws Exception {
    Path outside =
        Files.writeString(
            APP.media().resolveSibling("outside.srt"),
            "1\n00:00:01,000 --> 00:00:02,000\nsecret\n");
    Files.createSymbolicLink(APP.media().resolve("link.srt"), outside);
    for (String name : new String[] {"../outside.srt", outside.toString(), "link.srt"}) {
      HttpResponse<String> refused =
          APP.postAny(
              "/api/episodes",
              "{\"show\":\"\",\"title\":\"x\",\"recording\":\"tones.mp4\",\"transcript\":\""
                  + name
                  + "\"}");
      assertThat(refused.statusCode()).as(name).isEqualTo(422);
      assertThat(refused.body()).as(name).contains("media folder");
    }
  }

  @Test
  void whatIsNoRecordingIsRefusedInPlainWords() throws Exception {
    Files.writeString(APP.media().resolve("text.mp4"), "not a recording");
    HttpResponse<String> refused =
        APP.postAny(
            "/api/episodes",
            "{\"show\":\"\",\"title\":\"x\",\"recording\":\"text.mp4\",\"transcript\":\"\"}");
    assertThat(refused.statusCode()).isEqualTo(422);
    assertThat(refused.body()).contains("text.mp4 cannot be read as a recording");
  }

  @Test
  void onlyAFailedEpisodeIsTriedAgain() throws Exception {
    assertThat(APP.postAny("/api/episodes/1/ingest", "{}").statusCode()).isEqualTo(422);
    Path recording = APP.media().resolve("long.mp4");
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-stream_loop",
            "3",
            "-i",
            APP.media().resolve("tones.mp4").toString(),
            "-c",
            "copy",
            "-movflags",
            "+faststart",
            recording.toString()),
        null,
        Duration.ofMinutes(1));
    byte[] whole = Files.readAllBytes(recording);
    int picture = new String(whole, StandardCharsets.ISO_8859_1).indexOf("mdat");
    byte[] damaged = whole.clone();
    java.util.Arrays.fill(damaged, picture + 4, damaged.length, (byte) 0xff);
    Files.write(recording, damaged);
    JsonNode added =
        APP.post(
            "/api/episodes",
            "{\"show\":\"\",\"title\":\"Damaged\",\"recording\":\"long.mp4\",\"transcript\":\"tones.json\"}");
    long id = added.path("id").asLong();
    for (int i = 0;
        i < 3_000
            && RunningApplication.find(APP.get("/api/shelf"), id)
                .path("state")
                .asString()
                .equals("ARRIVING");
        i++) {
      Thread.sleep(100);
    }
    JsonNode failed = RunningApplication.find(APP.get("/api/shelf"), id);
    assertThat(failed.path("state").asString()).isEqualTo("FAILED");
    assertThat(failed.path("problem").asString()).isNotBlank();
    Files.write(recording, whole);
    APP.post("/api/episodes/" + id + "/ingest", "{}");
    APP.awaitReady(id);
  }

  /** The front end's types are generated from this document; regenerate them when it changes. */
  @Test
  void theCommittedApiDocumentIsTheServedOne() throws Exception {
    JsonNode committed =
        new JsonMapper().readTree(Files.readString(Path.of("../web/src/api/openapi.json")));
    assertThat(APP.get("/api/openapi")).isEqualTo(committed);
  }
}
