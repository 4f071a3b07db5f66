package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Clips of several places, moved words, and highlights through the real application. */
class GatheringOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static JsonNode gathered(String pieces) throws Exception {
    return APP.post("/api/gathered-clips", "{\"title\":\"Places\",\"pieces\":[" + pieces + "]}");
  }

  private static String piece(long episode, int first, int last) {
    return "{\"episodeId\":" + episode + ",\"firstWord\":" + first + ",\"lastWord\":" + last + "}";
  }

  private static JsonNode change(long clip, String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    return APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
  }

  @Test
  void placesOfOneEpisodePlayInTheOrderGiven() throws Exception {
    JsonNode made = gathered(piece(1, 9, 11) + "," + piece(1, 1, 4));
    JsonNode clip = APP.get("/api/clips/" + made.path("clipId").asLong());
    assertThat(clip.path("pared").path("stretches")).hasSize(2);
    assertThat(clip.path("pared").path("kept").get(0).path("startUs").asLong())
        .isGreaterThan(clip.path("pared").path("kept").get(1).path("endUs").asLong());
    assertThat(clip.path("pared").path("pieces").get(0).path("from").asInt()).isEqualTo(9);
    JsonNode moved =
        change(
            made.path("clipId").asLong(),
            "{\"type\":\"moveWords\",\"first\":1,\"last\":2,\"before\":9}");
    assertThat(moved.path("pared").path("pieces").get(0).path("from").asInt()).isEqualTo(1);
    assertThat(
            change(made.path("clipId").asLong(), "{\"type\":\"dropStretch\",\"place\":0}")
                .path("pared")
                .path("pieces")
                .get(0)
                .path("from")
                .asInt())
        .isEqualTo(9);
    HttpResponse<String> refused =
        APP.postAny("/api/gathered-clips", "{\"title\":\"\",\"pieces\":[]}");
    assertThat(refused.statusCode()).isEqualTo(422);
    assertThat(refused.body()).contains("Nothing has been gathered");
  }

  @Test
  void piecesOfTwoEpisodesBecomeOneWithTheirWordsAndSpeakers() throws Exception {
    Files.copy(APP.media().resolve("tones.mp4"), APP.media().resolve("more.mp4"));
    Files.writeString(
        APP.media().resolve("more.json"),
        Files.readString(APP.media().resolve("tones.json"))
            .replace("Ada", "Ben")
            .replace("Nobody", "Somebody"));
    long other =
        APP.post(
                "/api/episodes",
                "{\"show\":\"Test\",\"title\":\"More\",\"recording\":\"more.mp4\",\"transcript\":\"more.json\"}")
            .path("id")
            .asLong();
    APP.awaitReady(other);
    JsonNode made = gathered(piece(other, 5, 8) + "," + piece(1, 1, 4));
    long id = made.path("episodeId").asLong();
    assertThat(id).isNotIn(1L, other);
    APP.awaitReady(id);
    JsonNode transcript = APP.get("/api/episodes/" + id + "/transcript");
    assertThat(transcript.path("text").get(0).asString()).isEqualTo("Somebody");
    assertThat(transcript.path("text").get(4).asString()).isEqualTo("the");
    assertThat(transcript.path("speakers").toString()).isEqualTo("[\"Ben\",\"Ada\"]");
    JsonNode clip = APP.get("/api/clips/" + made.path("clipId").asLong());
    long shown = APP.get("/api/episodes/" + id).path("durationUs").asLong();
    assertThat(clip.path("pared").path("lengthUs").asLong())
        .isBetween(shown - 60_000, shown + 60_000);
  }

  @Test
  void aShareOfTheEpisodeAndTheLimitsOfPickingAreAnswered() throws Exception {
    String brief =
        "{\"count\":3,\"shortest\":1,\"longest\":20,\"subjects\":[],\"avoid\":[],\"unheard\":[\"nobody\"],\"share\":0.6,\"specs\":[\"feed-square\"]}";
    JsonNode found = APP.post("/api/episodes/1/highlights", brief);
    assertThat(found).isNotEmpty();
    assertThat(found.toString()).doesNotContain("\"opening\":\"Nobody");
    assertThat(APP.get("/api/episodes/1/brief").path("share").asDouble()).isEqualTo(0.6);
    JsonNode clip =
        APP.post(
            "/api/episodes/1/clips", "{\"firstWord\":1,\"lastWord\":4,\"title\":\"For the feed\"}");
    assertThat(clip.path("delivered").path("specs").toString()).isEqualTo("[\"feed-square\"]");
    assertThat(
            APP.postAny("/api/episodes/1/picks", brief.replace("feed-square", "no-such"))
                .statusCode())
        .isEqualTo(422);
    assertThat(APP.get("/api/episodes/1/pick-limits").toString()).contains("less than a minute");
  }
}
