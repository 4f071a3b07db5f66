package paringknife.server.team;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;

/**
 * Those who work from other machines sign in, and may do what their role allows. What is asked of
 * passwords, sessions and access is that of OWASP ASVS 5.0, by the numbers named here.
 */
class TeamOverHttpTest {
  private static final int PORT = freePort();
  private static final String URL = "http://127.0.0.1:" + PORT;
  private static final String GOOD = "tidemill lantern oxcart brine";

  @RegisterExtension
  static final RunningApplication APP =
      new RunningApplication(
          Map.of(
              "paring-knife.team.port",
              PORT + "",
              "paring-knife.team.address",
              "127.0.0.1",
              "paring-knife.team.url",
              URL));

  private static final HttpClient HTTP = HttpClient.newHttpClient();

  private static int freePort() {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static HttpRequest.Builder asked(String method, String path, String body) {
    return HttpRequest.newBuilder(URI.create(URL + path))
        .header("Content-Type", "application/json")
        .header("Origin", URL)
        .method(
            method,
            body.isEmpty()
                ? HttpRequest.BodyPublishers.noBody()
                : HttpRequest.BodyPublishers.ofString(body));
  }

  private static HttpResponse<String> send(HttpRequest.Builder request) throws Exception {
    return HTTP.send(request.build(), HttpResponse.BodyHandlers.ofString());
  }

  private static HttpResponse<String> as(String cookie, String method, String path, String body)
      throws Exception {
    return send(asked(method, path, body).header("Cookie", cookie));
  }

  private static HttpResponse<String> signIn(String name, String password) throws Exception {
    return send(
        asked(
            "POST",
            "/api/session",
            "{\"name\":\"" + name + "\",\"password\":\"" + password + "\"}"));
  }

  private static String cookie(HttpResponse<String> answer) {
    String set = answer.headers().firstValue("Set-Cookie").orElseThrow();
    return set.substring(0, set.indexOf(';'));
  }

  private static String invited(String role) throws Exception {
    String url =
        APP.post("/api/team/invitations", "{\"role\":\"" + role + "\"}").path("url").asString();
    assertThat(url).startsWith(URL + "/welcome/");
    return url.substring(url.lastIndexOf('/') + 1);
  }

  /** Somebody new; what they are signed in by. */
  private static String joined(String name, String role) throws Exception {
    HttpResponse<String> answer = follow(invited(role), name, GOOD);
    assertThat(answer.statusCode()).isEqualTo(204);
    return cookie(answer);
  }

  private static HttpResponse<String> follow(String token, String name, String password)
      throws Exception {
    return send(
        asked(
            "POST",
            "/api/invitations/" + token,
            "{\"name\":\"" + name + "\",\"password\":\"" + password + "\"}"));
  }

  private static long idOf(String name) throws Exception {
    for (JsonNode account : APP.get("/api/team").path("accounts")) {
      if (account.path("name").asString().equals(name)) {
        return account.path("id").asLong();
      }
    }
    throw new IllegalStateException("no " + name);
  }

  /**
   * ASVS 8.2.1: nothing but the way in without an account; at the machine itself none is needed.
   */
  @Test
  void strangersSeeTheWayInAndNothingElse() throws Exception {
    assertThat(send(asked("GET", "/api/shelf", "")).statusCode()).isEqualTo(401);
    assertThat(send(asked("GET", "/api/openapi", "")).statusCode()).isEqualTo(401);
    assertThat(send(asked("GET", "/api/events", "")).statusCode()).isEqualTo(401);
    assertThat(send(asked("POST", "/api/episodes", "{}")).statusCode()).isEqualTo(401);
    assertThat(send(asked("OPTIONS", "/api/tus", "")).statusCode()).isEqualTo(401);
    HttpResponse<String> page = send(asked("GET", "/episodes/1/pare?clip=7", ""));
    assertThat(page.statusCode()).isEqualTo(302);
    assertThat(page.headers().firstValue("Location"))
        .hasValue("/sign-in?to=%2Fepisodes%2F1%2Fpare%3Fclip%3D7");
    assertThat(send(asked("GET", "/sign-in", "")).statusCode()).isEqualTo(200);
    assertThat(send(asked("GET", "/assets/mark.svg", "")).statusCode()).isEqualTo(200);
    assertThat(as("paring=0123456789abcdef", "GET", "/api/shelf", "").statusCode()).isEqualTo(401);
    assertThat(APP.get("/api/shelf")).isNotEmpty();
    assertThat(APP.get("/api/session").path("name").isNull()).isTrue();
  }

  /** ASVS 8.2.1, 8.3.1: each role by what the server allows, not by what pages show. */
  @Test
  void everyRoleMayDoItsOwn() throws Exception {
    String owner = joined("Orla", "OWNER");
    String editor = joined("Edda", "EDITOR");
    String viewer = joined("Viggo", "VIEWER");
    String words = "{\"firstWord\":0,\"lastWord\":4,\"title\":\"by role\"}";
    for (String who : List.of(owner, editor, viewer)) {
      assertThat(as(who, "GET", "/api/shelf", "").statusCode()).isEqualTo(200);
    }
    assertThat(as(editor, "POST", "/api/episodes/1/clips", words).statusCode()).isEqualTo(200);
    assertThat(as(owner, "POST", "/api/episodes/1/clips", words).statusCode()).isEqualTo(200);
    HttpResponse<String> refused = as(viewer, "POST", "/api/episodes/1/clips", words);
    assertThat(refused.statusCode()).isEqualTo(403);
    assertThat(refused.body()).contains("look at everything");
    assertThat(as(viewer, "DELETE", "/api/episodes/1", "").statusCode()).isEqualTo(403);
    assertThat(as(viewer, "PUT", "/api/asked", "{}").statusCode()).isEqualTo(403);
    assertThat(as(editor, "GET", "/api/team", "").statusCode()).isEqualTo(403);
    assertThat(as(editor, "POST", "/api/team/invitations", "{\"role\":\"OWNER\"}").statusCode())
        .isEqualTo(403);
    assertThat(as(owner, "GET", "/api/team", "").statusCode()).isEqualTo(200);
  }

  /** ASVS 6.2.1, 6.2.4, 6.2.5, 6.2.9: long, not a common one, of any characters. */
  @Test
  void easyPasswordsAreRefused() throws Exception {
    String token = invited("EDITOR");
    for (String easy :
        List.of("short", "passwordpassword", "Password123456!", "aaaaaaaaaaaaaaaa")) {
      HttpResponse<String> answer = follow(token, "Petra", easy);
      assertThat(answer.statusCode()).as(easy).isEqualTo(422);
    }
    assertThat(follow(token, "Petra", "x".repeat(201)).statusCode()).isEqualTo(422);
    assertThat(follow(token, "Petra", "x".repeat(401)).statusCode()).isEqualTo(413);
    assertThat(follow(token, "  ", GOOD).statusCode()).isEqualTo(422);
    assertThat(
            follow(
                    token,
                    "Petra",
                    "\u6c34\u8eca\u306e\u6751\u306b\u51ac\u306e\u6708\u304c\u51fa\u3066\u3044\u305f")
                .statusCode())
        .isEqualTo(204);
    assertThat(follow(token, "Petra", GOOD).statusCode()).as("used once").isEqualTo(404);
  }

  @Test
  void aNameIsOnePersons() throws Exception {
    joined("Nils", "EDITOR");
    String token = invited("EDITOR");
    assertThat(follow(token, "nils", GOOD).body()).contains("called nils already");
    assertThat(follow(token, "Nils Two", GOOD).statusCode()).as("kept").isEqualTo(204);
  }

  /** ASVS 6.3.1, 6.3.8: guessing is slowed down, and does not tell which names there are. */
  @Test
  void guessingIsSlowedDown() throws Exception {
    joined("Greta", "EDITOR");
    HttpResponse<String> wrong = signIn("Greta", "wrong horse");
    HttpResponse<String> nobody = signIn("Nobody at all", "wrong horse");
    assertThat(wrong.statusCode()).isEqualTo(401);
    assertThat(wrong.body()).isEqualTo(nobody.body());
    int last = 0;
    for (int i = 0; i < 10; i++) {
      last = signIn(i % 2 == 0 ? "greta" : "GRETA", "wrong horse " + i).statusCode();
    }
    assertThat(last).isEqualTo(429);
    assertThat(signIn("Greta", GOOD).statusCode()).as("for the moment").isEqualTo(429);
  }

  /** ASVS 3.3.1 to 3.3.4, 7.2.2, 7.2.4, 7.4.1: the cookie, and an end that is one. */
  @Test
  void whoSignsOutIsOut() throws Exception {
    joined("Sven", "EDITOR");
    HttpResponse<String> answer = signIn("sven", GOOD);
    assertThat(answer.headers().firstValue("Set-Cookie").orElseThrow())
        .contains("HttpOnly", "SameSite=Lax", "Path=/");
    String cookie = cookie(answer);
    assertThat(cookie(signIn("Sven", GOOD))).isNotEqualTo(cookie);
    assertThat(as(cookie, "GET", "/api/session", "").body()).contains("\"Sven\"", "EDITOR");
    CompletableFuture<Integer> otherTab = listening(cookie);
    assertThat(as(cookie, "DELETE", "/api/session", "").statusCode()).isEqualTo(204);
    assertThat(otherTab.get(30, TimeUnit.SECONDS)).as("told nothing more").isNotNull();
    assertThat(as(cookie, "GET", "/api/shelf", "").statusCode()).isEqualTo(401);
  }

  /** ASVS 6.2.3, 7.4.3: another password ends what was begun by the old one. */
  @Test
  void anotherPasswordSignsOthersOut() throws Exception {
    String here = joined("Petter", "EDITOR");
    String elsewhere = cookie(signIn("Petter", GOOD));
    String other = "anvil pumpkin drizzle mosaic";
    CompletableFuture<Integer> open = listening(elsewhere);
    assertThat(as(here, "PUT", "/api/session/password", changed("not that", other)).statusCode())
        .isEqualTo(422);
    assertThat(as(here, "PUT", "/api/session/password", changed(GOOD, other)).statusCode())
        .isEqualTo(200);
    assertThat(as(here, "GET", "/api/shelf", "").statusCode()).isEqualTo(200);
    assertThat(as(elsewhere, "GET", "/api/shelf", "").statusCode()).isEqualTo(401);
    assertThat(open.get(30, TimeUnit.SECONDS)).as("told nothing more").isNotNull();
    assertThat(signIn("Petter", other).statusCode()).isEqualTo(204);
    String url =
        APP.post("/api/team/accounts/" + idOf("Petter") + "/new-password", "{}")
            .path("url")
            .asString();
    String token = url.substring(url.lastIndexOf('/') + 1);
    assertThat(send(asked("GET", "/api/invitations/" + token, "")).body()).contains("Petter");
    assertThat(follow(token, "somebody else", GOOD).statusCode()).isEqualTo(204);
    assertThat(as(here, "GET", "/api/shelf", "").statusCode()).isEqualTo(401);
    assertThat(signIn("Petter", GOOD).statusCode()).isEqualTo(204);
  }

  private static String changed(String old, String wanted) {
    return "{\"old\":\"" + old + "\",\"wanted\":\"" + wanted + "\"}";
  }

  /** The stream of events, until it ends. */
  private static CompletableFuture<Integer> listening(String cookie) throws Exception {
    HttpResponse<java.io.InputStream> events =
        HTTP.send(
            asked("GET", "/api/events", "").header("Cookie", cookie).build(),
            HttpResponse.BodyHandlers.ofInputStream());
    return CompletableFuture.supplyAsync(
        () -> {
          try {
            return events.body().readAllBytes().length;
          } catch (IOException e) {
            return -1;
          }
        });
  }

  /** ASVS 7.4.2, 8.3.2: whoever is removed, or made less, is so at once. */
  @Test
  void whatAnOwnerSaysHoldsAtOnce() throws Exception {
    String cookie = joined("Rosa", "EDITOR");
    long id = idOf("Rosa");
    APP.sent("PUT", "/api/team/accounts/" + id, "{\"role\":\"VIEWER\"}");
    assertThat(as(cookie, "DELETE", "/api/episodes/99", "").statusCode()).isEqualTo(403);
    CompletableFuture<Integer> ended = listening(cookie);
    assertThat(APP.sent("DELETE", "/api/team/accounts/" + id, "").statusCode()).isEqualTo(200);
    assertThat(ended.get(30, TimeUnit.SECONDS)).as("told nothing more").isNotNull();
    assertThat(as(cookie, "GET", "/api/shelf", "").statusCode()).isEqualTo(401);
    assertThat(APP.sent("DELETE", "/api/team/accounts/" + id, "").statusCode()).isEqualTo(404);
  }

  @Test
  void theLastOwnerStays() throws Exception {
    for (JsonNode account : APP.get("/api/team").path("accounts")) {
      if (account.path("role").asString().equals("OWNER")) {
        APP.sent("DELETE", "/api/team/accounts/" + account.path("id").asLong(), "");
      }
    }
    List<String> owners = new ArrayList<>();
    for (JsonNode account : APP.get("/api/team").path("accounts")) {
      if (account.path("role").asString().equals("OWNER")) {
        owners.add(account.path("name").asString());
      }
    }
    if (owners.isEmpty()) {
      joined("Only", "OWNER");
      owners.add("Only");
    }
    assertThat(owners).hasSize(1);
    String path = "/api/team/accounts/" + idOf(owners.get(0));
    assertThat(APP.sent("DELETE", path, "").body()).contains("only owner");
    assertThat(APP.sent("PUT", path, "{\"role\":\"EDITOR\"}").statusCode()).isEqualTo(422);
    assertThat(APP.part(Team.class).firstOwner()).isEmpty();
    // Without an owner, the newest link alone is good.
    AccountStore store = APP.part(AccountStore.class);
    Account last = store.byName(owners.get(0)).orElseThrow();
    store.changeRole(last.id(), Role.EDITOR);
    String first = APP.part(Team.class).firstOwner().orElseThrow();
    String second = APP.part(Team.class).firstOwner().orElseThrow();
    assertThat(follow(first, "First", GOOD).statusCode()).isEqualTo(404);
    assertThat(follow(second, "Second", GOOD).statusCode()).isEqualTo(204);
    assertThat(APP.part(Team.class).firstOwner()).isEmpty();
  }

  /** ASVS 3.5.1, 3.5.3: another site changes nothing, though the browser sends the cookie along. */
  @Test
  void otherSitesChangeNothing() throws Exception {
    String cookie = joined("Karin", "EDITOR");
    HttpRequest.Builder plain =
        HttpRequest.newBuilder(URI.create(URL + "/api/queue/pause"))
            .header("Content-Type", "application/json")
            .header("Cookie", cookie)
            .POST(HttpRequest.BodyPublishers.ofString("{\"paused\":false}"));
    assertThat(send(plain.copy()).statusCode()).as("whoever says nothing").isEqualTo(403);
    assertThat(send(plain.copy().header("Origin", "https://elsewhere.example")).statusCode())
        .isEqualTo(403);
    assertThat(send(plain.copy().header("Sec-Fetch-Site", "cross-site")).statusCode())
        .isEqualTo(403);
    assertThat(send(plain.copy().header("Sec-Fetch-Site", "same-site")).statusCode())
        .isEqualTo(403);
    assertThat(send(plain.copy().header("Sec-Fetch-Site", "same-origin")).statusCode())
        .isEqualTo(200);
  }

  /**
   * A proxy on this machine that is pointed at the wrong port lets nobody in without an account.
   */
  @Test
  void aProxyDoesNotMakeAStrangerOurs() throws Exception {
    for (String header : List.of("X-Forwarded-For", "Forwarded", "X-Real-IP", "Via")) {
      HttpResponse<String> answer =
          APP.send(
              HttpRequest.newBuilder(URI.create(APP.address() + "/api/shelf"))
                  .header(header, "203.0.113.7"));
      assertThat(answer.statusCode()).as(header).isEqualTo(421);
    }
  }

  @Test
  void itIsKnownWhoDidWhat() throws Exception {
    String cookie = joined("Ida", "EDITOR");
    long clip = APP.clip("by whom", 6);
    APP.change(clip, "{\"type\":\"rename\",\"title\":\"at the server\"}");
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    HttpResponse<String> changed =
        as(
            cookie,
            "POST",
            "/api/clips/" + clip + "/changes",
            "{\"revision\":"
                + revision
                + ",\"intent\":{\"type\":\"rename\",\"title\":\"from elsewhere\"}}");
    assertThat(changed.statusCode()).as(changed.body()).isEqualTo(200);
    JsonNode steps = APP.get("/api/clips/" + clip + "/steps");
    assertThat(steps.get(0).path("author").asString()).isEqualTo("Ida");
    assertThat(steps.get(1).path("author").isNull()).isTrue();
  }

  /** Each sees within a second what the other has open, by name. */
  @Test
  void othersAreSeen() throws Exception {
    String cookie = joined("Jarl", "VIEWER");
    HttpResponse<java.io.InputStream> events =
        HTTP.send(
            HttpRequest.newBuilder(URI.create(APP.address() + "/api/events")).build(),
            HttpResponse.BodyHandlers.ofInputStream());
    try (BufferedReader told =
        new BufferedReader(new InputStreamReader(events.body(), StandardCharsets.UTF_8))) {
      CompletableFuture<String> seen =
          CompletableFuture.supplyAsync(
              () -> told.lines().filter(l -> l.contains("Jarl")).findFirst().orElse(""));
      assertThat(
              as(
                      cookie,
                      "POST",
                      "/api/presence",
                      "{\"window\":\"w1\",\"episodeId\":1,\"clipId\":7}")
                  .statusCode())
          .isEqualTo(200);
      assertThat(seen.get(30, TimeUnit.SECONDS)).contains("\"clipId\":7");
    }
    assertThat(APP.get("/api/presence").toString()).contains("Jarl/w1");
    APP.sent("POST", "/api/team/accounts/" + idOf("Jarl") + "/sign-out", "");
    assertThat(APP.get("/api/presence").toString()).doesNotContain("Jarl/w1");
  }

  /** Nobody signs in where nobody has to, and no token comes out at the wrong door. */
  @Test
  void nobodySignsInAtTheMachineItself() throws Exception {
    String token = invited("OWNER");
    String body = "{\"name\":\"Lars\",\"password\":\"" + GOOD + "\"}";
    assertThat(APP.postAny("/api/session", body).statusCode()).isEqualTo(404);
    assertThat(APP.postAny("/api/invitations/" + token, body).statusCode()).isEqualTo(404);
    assertThat(APP.sent("PUT", "/api/session/password", changed("a", "b")).statusCode())
        .isEqualTo(404);
    assertThat(follow(token, "Lars", GOOD).statusCode()).as("not used up").isEqualTo(204);
  }
}
