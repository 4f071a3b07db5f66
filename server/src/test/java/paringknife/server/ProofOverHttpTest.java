package paringknife.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.jooq.DSLContext;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Clips shown by link: who gets in, what they see, what they say, and what the producer hears. */
class ProofOverHttpTest {
  private static final int GUESTS = freePort();

  @RegisterExtension
  static final RunningApplication APP =
      new RunningApplication(Map.of("paring-knife.guest.port", GUESTS + ""));

  private static final JsonMapper JSON = new JsonMapper();

  private long clip;

  /** "Um, the ice came up. Nobody had told me." */
  @BeforeEach
  void makeClip() throws Exception {
    clip =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":8,\"title\":\"The ice\"}")
            .path("id")
            .asLong();
  }

  private JsonNode link(String more) throws Exception {
    return APP.post(
        "/api/episodes/1/proofs",
        "{\"title\":\"Ferry, 1 clip\",\"clips\":[" + clip + "],\"days\":3" + more + "}");
  }

  private String open(String more) throws Exception {
    String page = "/api/proof/" + link(more).path("token").asString();
    APP.await(page, p -> p.path("clips").path(0).path("file").isInt());
    return page;
  }

  private String clipOf(String page) {
    return page + "/clips/" + clip;
  }

  private HttpResponse<String> get(String path) throws Exception {
    return APP.send(HttpRequest.newBuilder(URI.create(APP.address() + path)).GET());
  }

  private static String remark(String text, long fileUs) {
    return JSON.createObjectNode()
        .put("author", "Ada Lund")
        .put("text", text)
        .put("fileUs", fileUs)
        .toString();
  }

  private void pare(int first, int last) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":"
            + revision
            + ",\"intent\":{\"type\":\"pareWords\",\"first\":"
            + first
            + ",\"last\":"
            + last
            + "}}");
  }

  @Test
  void aGuestSeesTheClipAndWhatIsSaidInIt() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    JsonNode shown = APP.get(clipOf(page));
    assertThat(shown.path("title").asString()).isEqualTo("The ice");
    assertThat(shown.path("words").toString()).contains("\"ice\"").contains("told");
    assertThat(shown.path("looked").asBoolean()).isFalse();
    byte[] film = APP.getBytes(clipOf(page) + "/film");
    assertThat(new String(film, 4, 4, StandardCharsets.US_ASCII)).isEqualTo("ftyp");
    assertThat(get(clipOf(page) + "/words.srt").statusCode()).as("not to be taken").isEqualTo(404);
    assertThat(get(clipOf(page) + "/film?download=true").statusCode()).isEqualTo(404);
  }

  @Test
  void whatMayBeTakenAlongIsTaken() throws Exception {
    String page = open(",\"downloads\":true,\"password\":null");
    assertThat(get(clipOf(page) + "/words.txt").body()).contains("ice came up.");
    assertThat(get(clipOf(page) + "/words.srt").body()).contains("-->");
    HttpResponse<String> film = get(clipOf(page) + "/film?download=true");
    assertThat(film.headers().firstValue("Content-Disposition").orElse("")).contains("the-ice.mp4");
    assertThat(get(clipOf(page) + "/words.exe").statusCode()).isEqualTo(404);
  }

  @Test
  void aRemarkStaysWithItsWordAndComesToTheProducer() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    JsonNode before = APP.get(clipOf(page));
    JsonNode word = before.path("words").get(3);
    APP.post(clipOf(page) + "/remarks", remark("Louder?", word.path("fromUs").asLong() + 1_000));
    JsonNode remark = APP.get("/api/clips/" + clip + "/remarks").get(0);
    assertThat(remark.path("word").asString()).isEqualTo(word.path("text").asString());
    assertThat(remark.path("author").asString()).isEqualTo("Ada Lund");
    long id = remark.path("id").asLong();
    APP.post("/api/remarks/" + id + "/answers", "{\"text\":\"It is now.\"}");
    APP.post("/api/remarks/" + id + "/done", "{\"done\":true}");
    assertThat(APP.get("/api/episodes/1/proofs").path("open").path("" + clip).asInt()).isZero();
    JsonNode told = APP.get(clipOf(page)).path("remarks");
    assertThat(told.get(0).path("done").asBoolean()).isTrue();
    assertThat(told.get(1).path("text").asString()).isEqualTo("It is now.");

    APP.post(clipOf(page) + "/remarks/" + id + "/answers", remark("Not yet.", 0));
    assertThat(APP.get("/api/clips/" + clip + "/remarks").toString()).contains("Not yet.");
    assertThat(APP.get(clipOf(page)).path("remarks").get(0).path("done").asBoolean())
        .as("open again")
        .isFalse();

    pare(0, 0);
    APP.sent("POST", "/api/proofs/" + lastLink() + "/showing", "");
    int file = before.path("file").asInt();
    JsonNode shown = APP.await(clipOf(page), c -> c.path("file").asInt() != file);
    JsonNode moved = shown.path("words").get(2);
    assertThat(moved.path("text").asString()).isEqualTo(word.path("text").asString());
    assertThat(shown.path("remarks").get(0).path("fileUs").asLong())
        .isEqualTo(moved.path("fromUs").asLong())
        .isLessThan(word.path("fromUs").asLong());
  }

  private static long lastLink() throws Exception {
    return APP.get("/api/episodes/1/proofs").path("links").get(0).path("id").asLong();
  }

  /** A guest sees an edit when the producer shows it, and what is new in it. */
  @Test
  void whatChangedSinceTheLastLookIsMarked() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    JsonNode before = APP.get(clipOf(page));
    pare(5, 8);
    JsonNode still = APP.get(clipOf(page));
    assertThat(still.path("words")).as("not shown yet").hasSameSizeAs(before.path("words"));
    JsonNode link = APP.get("/api/episodes/1/proofs").path("links").get(0);
    assertThat(link.path("clips").get(0).path("copy").path("isCurrent").asBoolean()).isFalse();
    APP.sent("POST", "/api/proofs/" + lastLink() + "/showing", "");
    JsonNode shown =
        APP.await(clipOf(page), c -> c.path("file").asInt() != before.path("file").asInt());
    assertThat(shown.path("looked").asBoolean()).isTrue();
    assertThat(shown.path("gone").get(0).path("text").asString()).contains("told");
    JsonNode again = APP.get(clipOf(page));
    assertThat(again.path("gone")).as("the same look, opened again").isEqualTo(shown.path("gone"));
  }

  @Test
  void aLookOfTheProducersIsNotTheGuests() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    int file = APP.get(clipOf(page) + "?noted=false").path("file").asInt();
    pare(5, 8);
    APP.sent("POST", "/api/proofs/" + lastLink() + "/showing", "");
    APP.await(clipOf(page) + "?noted=false", c -> c.path("file").asInt() != file);
    JsonNode first = APP.get(clipOf(page));
    assertThat(first.path("looked").asBoolean()).isFalse();
    assertThat(first.path("gone")).isEmpty();
    assertThat(get(clipOf(page) + "?noted=perhaps").statusCode()).isEqualTo(400);
  }

  /** A page of finished clips shows films with their stills, and takes nothing. */
  @Test
  void aPageOfFinishedClipsAsksNothing() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null,\"asks\":false");
    assertThat(APP.get(page).path("asks").asBoolean()).isFalse();
    byte[] still = APP.getBytes(clipOf(page) + "/still");
    BufferedImage picture = ImageIO.read(new ByteArrayInputStream(still));
    assertThat(picture.getWidth()).isEqualTo(360);
    assertThat(picture.getHeight()).isEqualTo(640);
    assertThat(APP.getBytes(clipOf(page) + "/still")).isEqualTo(still);
    assertThat(APP.postAny(clipOf(page) + "/remarks", remark("x", 0)).statusCode()).isEqualTo(404);
    int file = APP.get(clipOf(page)).path("file").asInt();
    String yes = "{\"approved\":true,\"author\":\"Ada Lund\",\"file\":" + file + "}";
    assertThat(APP.postAny(clipOf(page) + "/verdict", yes).statusCode()).isEqualTo(404);
    APP.sent("POST", "/api/proofs/" + lastLink() + "/withdrawal", "");
    assertThat(get(clipOf(page) + "/still").statusCode()).isEqualTo(404);
    String locked = open(",\"downloads\":false,\"password\":null,\"asks\":null");
    assertThat(APP.get(locked).path("asks").asBoolean()).isTrue();
  }

  @Test
  void aYesIsOfTheFilmThatWasSeen() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    int file = APP.get(clipOf(page)).path("file").asInt();
    String yes = "{\"approved\":true,\"author\":\"Ada Lund\",\"file\":" + file + "}";
    assertThat(APP.post(clipOf(page) + "/verdict", yes).path("answeredNow").asBoolean()).isTrue();
    pare(5, 8);
    APP.sent("POST", "/api/proofs/" + lastLink() + "/showing", "");
    APP.await(clipOf(page), c -> c.path("file").asInt() != file);
    JsonNode clips = APP.get("/api/episodes/1/proofs").path("links").get(0).path("clips");
    assertThat(clips.get(0).path("approved").asBoolean()).isTrue();
    assertThat(clips.get(0).path("answeredNow").asBoolean()).as("said of the old one").isFalse();
    assertThat(APP.postAny(clipOf(page) + "/verdict", yes).statusCode()).isEqualTo(409);
  }

  @Test
  void nobodyGetsInWithoutThePassword() throws Exception {
    String token =
        link(",\"downloads\":true,\"password\":\"sluice gate\"").path("token").asString();
    String page = "/api/proof/" + token;
    for (String path : new String[] {"", "/clips/" + clip, "/clips/" + clip + "/film"}) {
      assertThat(get(page + path).statusCode()).as(path).isEqualTo(401);
    }
    assertThat(APP.postAny(clipOf(page) + "/remarks", remark("x", 0)).statusCode()).isEqualTo(401);
    assertThat(APP.postAny(page + "/entry", "{\"password\":\"gate\"}").statusCode()).isEqualTo(401);
    HttpResponse<String> entered = APP.postAny(page + "/entry", "{\"password\":\"sluice gate\"}");
    assertThat(entered.statusCode()).isEqualTo(204);
    String cookie = entered.headers().firstValue("Set-Cookie").orElseThrow();
    assertThat(cookie).contains("HttpOnly").contains("SameSite=Strict").contains("Path=" + page);
    HttpResponse<String> opened =
        APP.send(
            HttpRequest.newBuilder(URI.create(APP.address() + page))
                .header("Cookie", cookie.substring(0, cookie.indexOf(';')))
                .GET());
    assertThat(opened.statusCode()).isEqualTo(200);
    String kept =
        APP.part(DSLContext.class)
            .fetchValue("select password from proof_link where token = '" + token + "'")
            .toString();
    assertThat(kept).startsWith("$argon2id$").doesNotContain("sluice");
  }

  /** Ten tries a minute; the right one has to wait as well. */
  @Test
  void passwordsAreNotGuessedByTheThousand() throws Exception {
    String token = link(",\"downloads\":false,\"password\":\"sluice\"").path("token").asString();
    int refused = 0;
    for (int i = 0; i < 14; i++) {
      String tried = "{\"password\":\"" + i + "\"}";
      refused += APP.postAny("/api/proof/" + token + "/entry", tried).statusCode() == 429 ? 1 : 0;
    }
    assertThat(refused).isEqualTo(4);
  }

  private static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private int byTheGuestsDoor(String path) throws Exception {
    URI uri = URI.create("http://127.0.0.1:" + GUESTS + path);
    return APP.send(HttpRequest.newBuilder(uri).GET()).statusCode();
  }

  /** A port that other machines may reach: what is for guests, and nothing else. */
  @Test
  void theGuestsDoorLeadsToProofOnly() throws Exception {
    String page = open(",\"downloads\":true,\"password\":null");
    assertThat(byTheGuestsDoor(page)).isEqualTo(200);
    assertThat(byTheGuestsDoor(clipOf(page) + "/film")).isEqualTo(200);
    for (String path :
        new String[] {
          "/",
          "/api/shelf",
          "/api/clips/" + clip,
          "/api/episodes/1/proofs",
          "/api/events",
          "/api/openapi",
          "/episodes/1/pick",
          "/index.html",
          "/api/proof/../shelf",
          "/assets/../api/shelf",
          "/api/proof/%2e%2e/shelf",
          "/api/proof/..;/shelf",
          "//api/shelf"
        }) {
      assertThat(byTheGuestsDoor(path)).as(path).isIn(400, 404);
    }
  }

  @Test
  void whatIsWithdrawnOrOverIsShutToEverybody() throws Exception {
    String withdrawn = open(",\"downloads\":true,\"password\":null");
    APP.sent("POST", "/api/proofs/" + lastLink() + "/withdrawal", "");
    String over = open(",\"downloads\":true,\"password\":null");
    APP.part(DSLContext.class)
        .execute(
            "update proof_link set expires_at = '2020-01-01' where token = '"
                + over.substring("/api/proof/".length())
                + "'");
    String never = "/api/proof/" + "0".repeat(32);
    String told = get(never).body();
    for (String page : new String[] {withdrawn, over, never}) {
      for (String path : new String[] {"", "/clips/" + clip, "/clips/" + clip + "/film"}) {
        HttpResponse<String> answer = get(page + path);
        assertThat(answer.statusCode()).isEqualTo(404);
        assertThat(answer.body()).as("no telling which of them there was").isEqualTo(told);
      }
    }
  }

  @Test
  void aLinkShowsItsClipsAndNoOthers() throws Exception {
    String page = open(",\"downloads\":true,\"password\":null");
    long other =
        APP.post("/api/episodes/1/clips", "{\"firstWord\":0,\"lastWord\":3,\"title\":\"Other\"}")
            .path("id")
            .asLong();
    for (String path : new String[] {"", "/film", "/words.txt"}) {
      assertThat(get(page + "/clips/" + other + path).statusCode()).isEqualTo(404);
    }
    assertThat(get(page).body()).doesNotContain("Other").doesNotContain("password");
    APP.sent("DELETE", "/api/clips/" + clip, "");
    assertThat(APP.get(page).path("clips")).as("in the bin").isEmpty();
    assertThat(get(clipOf(page)).statusCode()).isEqualTo(404);
  }

  /** Text stays text; what steers lines or turns their direction is left out. */
  @Test
  void remarksAreText() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    List<String> texts =
        List.of(
            "<script>alert(1)</script>", "a\u202Eb\u2066c", "x\u0000\u0007y", "=1+1", "{\\pos}");
    for (String text : texts) {
      APP.post(clipOf(page) + "/remarks", remark(text, 0));
    }
    List<String> kept = new ArrayList<>();
    APP.get("/api/clips/" + clip + "/remarks").forEach(r -> kept.add(r.path("text").asString()));
    assertThat(kept)
        .containsExactlyInAnyOrder("<script>alert(1)</script>", "abc", "xy", "=1+1", "{\\pos}");
  }

  @Test
  void remarksThatAreNoneAreRefusedAndManyAtOnceToo() throws Exception {
    String page = open(",\"downloads\":false,\"password\":null");
    assertThat(APP.postAny(clipOf(page) + "/remarks", remark(" \n ", 0)).statusCode())
        .isEqualTo(422);
    assertThat(APP.postAny(clipOf(page) + "/remarks", remark("x".repeat(2_001), 0)).statusCode())
        .isEqualTo(413);
    String nameless = remark("x", 0).replace("Ada Lund", " ");
    assertThat(APP.postAny(clipOf(page) + "/remarks", nameless).statusCode()).isEqualTo(422);
    int slowed = 0;
    for (int i = 0; i < 40; i++) {
      slowed += APP.postAny(clipOf(page) + "/remarks", remark("x", i)).statusCode() == 429 ? 1 : 0;
    }
    assertThat(slowed).isEqualTo(10);
  }
}
