package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Uploads by the tus protocol (1.0.0), shelves that nest, and the bin. */
class ShelfTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static HttpRequest.Builder tus(String path) {
    return HttpRequest.newBuilder()
        .uri(URI.create(APP.address() + path))
        .header("Tus-Resumable", "1.0.0");
  }

  private static String create(String name, int length) throws Exception {
    String metadata =
        "filename " + Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
    HttpResponse<String> made =
        APP.send(
            tus("/api/tus")
                .header("Upload-Length", Integer.toString(length))
                .header("Upload-Metadata", metadata)
                .POST(HttpRequest.BodyPublishers.noBody()));
    assertThat(made.statusCode()).isEqualTo(201);
    return made.headers().firstValue("Location").orElseThrow().replaceFirst("^https?://[^/]+", "");
  }

  private static HttpResponse<String> patch(String address, int offset, String part)
      throws Exception {
    return APP.send(
        tus(address)
            .header("Upload-Offset", Integer.toString(offset))
            .header("Content-Type", "application/offset+octet-stream")
            .method("PATCH", HttpRequest.BodyPublishers.ofString(part)));
  }

  private static HttpResponse<String> finish(String address) throws Exception {
    return APP.postAny("/api/uploads", "{\"address\":\"" + address + "\"}");
  }

  /** As they come from camcorders, recorders and calls, in capitals or not. */
  @Test
  void recordingsInEveryContainerThatIsReadAreOffered() throws Exception {
    List<String> names = List.of("camcorder.MTS", "call.ts", "talk.ogg", "old.avi", "field.aif");
    for (String name : names) {
      Files.createFile(APP.media().resolve(name));
    }
    Files.createFile(APP.media().resolve("notes.pdf"));
    assertThat(APP.get("/api/media-folder").valueStream().map(f -> f.path("name").asString()))
        .containsAll(names)
        .doesNotContain("notes.pdf");
  }

  @Test
  void anUploadGoesOnAfterARestartAndAppearsOnlyWhenItIsWhole() throws Exception {
    String address = create("words.srt", 10);
    assertThat(patch(address, 0, "hello").statusCode()).isEqualTo(204);
    assertThat(finish(address).statusCode()).isEqualTo(404);
    APP.restart();
    HttpResponse<String> asked =
        APP.send(tus(address).method("HEAD", HttpRequest.BodyPublishers.noBody()));
    assertThat(asked.headers().firstValue("Upload-Offset")).contains("5");
    assertThat(patch(address, 3, "XX").statusCode()).isEqualTo(409);
    assertThat(patch(address, 5, "world").statusCode()).isEqualTo(204);
    assertThat(APP.get("/api/media-folder").toString()).doesNotContain("words.srt");
    JsonNode file = new JsonMapper().readTree(finish(address).body());
    assertThat(Files.readString(APP.media().resolve(file.path("name").asString())))
        .isEqualTo("helloworld");
    assertThat(file.path("isTranscript").asBoolean()).isTrue();
  }

  @Test
  void oneRecordingIsOneEpisode() throws Exception {
    int before = APP.get("/api/shelf").size();
    HttpResponse<String> again =
        APP.postAny(
            "/api/episodes", "{\"show\":\"Test\",\"title\":\"Other\",\"recording\":\"tones.mp4\"}");
    assertThat(again.statusCode()).isEqualTo(422);
    assertThat(again.body()).contains("tones.mp4 is on the shelf already: ");
    assertThat(APP.get("/api/shelf")).hasSize(before);
  }

  @Test
  void aNameCannotLeadAnywhereElse() throws Exception {
    for (String name : new String[] {"../../x.srt", "..x.srt", "/etc/x.srt"}) {
      String address = create(name, 2);
      patch(address, 0, "ok");
      JsonNode file = new JsonMapper().readTree(finish(address).body());
      assertThat(APP.media().resolve(file.path("name").asString()).normalize().getParent())
          .isEqualTo(APP.media().resolve("uploads"));
      assertThat(file.path("name").asString()).doesNotContain("/.");
    }
  }

  @Test
  void moreThanThereIsRoomForIsRefusedAtOnce() throws Exception {
    HttpResponse<String> refused =
        APP.send(
            tus("/api/tus")
                .header("Upload-Length", "900000000000000")
                .POST(HttpRequest.BodyPublishers.noBody()));
    assertThat(refused.statusCode()).isEqualTo(413);
  }

  private static int put(String path, String body) throws Exception {
    return APP.send(
            HttpRequest.newBuilder()
                .uri(URI.create(APP.address() + path))
                .header("Content-Type", "application/json")
                .PUT(HttpRequest.BodyPublishers.ofString(body)))
        .statusCode();
  }

  private static int delete(String path) throws Exception {
    return APP.send(HttpRequest.newBuilder().uri(URI.create(APP.address() + path)).DELETE())
        .statusCode();
  }

  @Test
  void shelvesNestAndWhatStandsOnARemovedOneMovesUp() throws Exception {
    long outer = APP.post("/api/shelves", "{\"name\":\"Shows\",\"parentId\":null}").asLong();
    long inner =
        APP.post("/api/shelves", "{\"name\":\"Mills\",\"parentId\":" + outer + "}").asLong();
    assertThat(
            put(
                "/api/episodes/1",
                "{\"show\":\"S\",\"title\":\"Moved\",\"shelfId\":" + inner + "}"))
        .isEqualTo(200);
    assertThat(put("/api/shelves/" + outer, "{\"name\":\"Shows\",\"parentId\":" + inner + "}"))
        .as("into itself")
        .isEqualTo(422);
    assertThat(put("/api/shelves/" + inner, "{\"name\":\" \",\"parentId\":null}")).isEqualTo(422);
    assertThat(delete("/api/shelves/" + inner)).isEqualTo(200);
    JsonNode episode = APP.get("/api/shelf").get(0);
    assertThat(episode.path("shelfId").asLong()).isEqualTo(outer);
    assertThat(episode.path("title").asString()).isEqualTo("Moved");
  }

  @Test
  void aBinnedEpisodeIsKeptAndComesBack() throws Exception {
    assertThat(delete("/api/episodes/1")).isEqualTo(200);
    assertThat(APP.get("/api/shelf").get(0).path("binned").asBoolean()).isTrue();
    APP.post("/api/episodes/1/return", "{}");
    assertThat(APP.get("/api/shelf").get(0).path("binned").asBoolean()).isFalse();
    assertThat(APP.get("/api/storage").path("freeBytes").asLong()).isPositive();
  }
}
