package paringknife.server.outbox;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.outbox.PostingState;
import paringknife.server.RunningApplication;
import tools.jackson.databind.JsonNode;

/** The outbox as its page uses it, with the stand-in behind it. */
class OutboxOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final String RULES =
      "{\"shapes\":[],\"longestSeconds\":0,\"mostBytes\":0,\"title\":0,\"text\":0,\"tags\":0}";

  private static long clip;
  private static String spec;
  private static int made;

  private final long destination = destination(RULES);

  OutboxOverHttpTest() throws Exception {}

  @BeforeAll
  static void render() throws Exception {
    APP.awaitReady(1);
    spec = APP.smallSpec("Small", 270, 270);
    clip = APP.clip("Ice, came; up 🔪 " + "and up ".repeat(8).strip(), 4);
    APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    APP.post("/api/episodes/1/renderings", "{}");
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
  }

  @AfterEach
  void takeAllBack() throws Exception {
    for (JsonNode posting : all()) {
      APP.sent("DELETE", "/api/outbox/" + posting.path("id").asLong(), "");
    }
  }

  private static long destination(String rules) throws Exception {
    made++;
    return APP.post(
            "/api/outbox/destinations",
            "{\"name\":\"Place " + made + "\",\"rules\":" + rules + ",\"answers\":true}")
        .path("id")
        .asLong();
  }

  private void change(String rules, boolean answers) throws Exception {
    assertThat(
            APP.sent(
                    "PUT",
                    "/api/outbox/destinations/" + destination,
                    "{\"name\":\"Place "
                        + made
                        + "\",\"rules\":"
                        + rules
                        + ",\"answers\":"
                        + answers
                        + "}")
                .statusCode())
        .isEqualTo(200);
  }

  private static String when(String first) {
    return "{\"first\":" + first + ",\"zone\":\"UTC\",\"everyHours\":24}";
  }

  private HttpResponse<String> scheduled(long of, String first) throws Exception {
    return APP.postAny(
        "/api/outbox",
        "{\"files\":[{\"clipId\":%d,\"spec\":\"%s\"}],\"destination\":%d,\"when\":%s}"
            .formatted(of, spec, destination, when(first)));
  }

  private long posted(long of, String first) throws Exception {
    HttpResponse<String> answer = scheduled(of, first);
    assertThat(answer.statusCode()).as(answer.body()).isEqualTo(200);
    List<JsonNode> there = all();
    return there.stream().mapToLong(p -> p.path("id").asLong()).max().orElseThrow();
  }

  private static String page() {
    Instant now = Instant.now();
    return "/api/outbox?from="
        + URLEncoder.encode(now.minus(90, ChronoUnit.DAYS).toString(), StandardCharsets.UTF_8)
        + "&to="
        + URLEncoder.encode(now.plus(90, ChronoUnit.DAYS).toString(), StandardCharsets.UTF_8);
  }

  private static List<JsonNode> all() throws Exception {
    List<JsonNode> all = new ArrayList<>();
    APP.get(page()).forEach(all::add);
    return all;
  }

  private static JsonNode await(long id, PostingState state) throws Exception {
    return RunningApplication.find(
        APP.await(
            page(),
            all -> RunningApplication.find(all, id).path("state").asString().equals(state.name())),
        id);
  }

  private static JsonNode posting(long id) throws Exception {
    return RunningApplication.find(APP.get(page()), id);
  }

  private static String reasons(JsonNode posting) {
    return posting.path("reasons").toString();
  }

  private static void round(Duration later) {
    APP.part(PostingRounds.class).roundAsOf(Instant.now().plus(later));
  }

  private static Path receipt(long id) {
    String key = APP.part(PostingStore.class).byId(id).orElseThrow().key();
    return APP.data().resolve("stand-in").resolve(key + ".json");
  }

  @Test
  void whatIsDueGoesOutAndIsTakenBack() throws Exception {
    long id = posted(clip, "null");
    JsonNode out = await(id, PostingState.ACCEPTED);
    assertThat(out.path("reference").asString()).startsWith("stand-in-");
    assertThat(Files.readString(receipt(id)))
        .contains("nothing was published", "\"withdrawn\":false");
    assertThat(APP.sent("DELETE", "/api/outbox/" + id, "").statusCode()).isEqualTo(200);
    await(id, PostingState.WITHDRAWN);
    assertThat(Files.readString(receipt(id))).contains("\"withdrawn\":true");
    assertThat(APP.sent("PUT", "/api/outbox/" + id + "/time", when("null")).statusCode())
        .isEqualTo(409);
  }

  @Test
  void whatIsRefusedSaysWhyAndGoesOutOnceItIsPutRight() throws Exception {
    change(
        RULES
            .replace("\"shapes\":[]", "\"shapes\":[{\"width\":9,\"height\":16}]")
            .replace("\"longestSeconds\":0", "\"longestSeconds\":2"),
        true);
    long id = posted(clip, "null");
    assertThat(reasons(await(id, PostingState.REFUSED)))
        .contains("too long: ", "wrong shape: 270 x 270, 9:16 is taken");
    change(RULES, true);
    assertThat(APP.sent("PUT", "/api/outbox/" + id + "/time", when("null")).statusCode())
        .isEqualTo(200);
    assertThat(await(id, PostingState.ACCEPTED).path("reasons")).isEmpty();
  }

  @Test
  void itWaitsForItsFileAndForTheFileOfTheClipAsItIs() throws Exception {
    long other = APP.clip("Not yet", 3);
    long id = posted(other, "null");
    round(Duration.ZERO);
    assertThat(reasons(posting(id))).contains("waits for its file: it has not been rendered");
    APP.change(other, "{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    APP.post("/api/episodes/1/renderings", "{}");
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    APP.change(other, "{\"type\":\"pareWords\",\"first\":1,\"last\":1}");
    round(Duration.ofSeconds(11));
    assertThat(reasons(posting(id))).contains("it has changed since it was rendered");
    APP.post("/api/episodes/1/renderings", "{}");
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    round(Duration.ofSeconds(30));
    await(id, PostingState.ACCEPTED);
    APP.sent("DELETE", "/api/clips/" + other, "");
    assertThat(all()).noneMatch(p -> p.path("id").asLong() == id);
  }

  /** A look that took its time says nothing over one that came after it. */
  @Test
  void ofTwoLooksTheLaterOneStands() throws Exception {
    long id = posted(APP.clip("Looked at twice", 4), "\"2031-01-01T10:00:00Z\"");
    PostingStore store = APP.part(PostingStore.class);
    PostingStore.Row seen = store.byId(id).orElseThrow();
    Instant next = seen.nextAt().plusSeconds(10);
    assertThat(store.wait(seen, PostingState.SCHEDULED, next, List.of("the later"))).isTrue();
    assertThat(store.wait(seen, PostingState.SCHEDULED, next, List.of("the slower"))).isFalse();
    assertThat(store.byId(id).orElseThrow().reasons()).containsExactly("the later");
  }

  @Test
  void whoDoesNotAnswerIsTriedAgainAndGivenUpInTheEnd() throws Exception {
    change(RULES, false);
    long id = posted(clip, "null");
    round(Duration.ZERO);
    JsonNode waits = posting(id);
    assertThat(waits.path("state").asString()).isEqualTo("SCHEDULED");
    assertThat(reasons(waits)).contains("does not answer");
    assertThat(Instant.parse(waits.path("nextAt").asString())).isAfter(Instant.now());
    Duration later = Duration.ZERO;
    for (int i = 0; i < 6; i++) {
      later = later.plus(Duration.ofHours(4));
      round(later);
    }
    JsonNode given = posting(id);
    assertThat(given.path("state").asString()).isEqualTo("REFUSED");
    assertThat(reasons(given)).contains("given up after 6 tries");
    assertThat(Files.exists(receipt(id))).isFalse();
    change(RULES, true);
    APP.sent("PUT", "/api/outbox/" + id + "/time", when("null"));
    await(id, PostingState.ACCEPTED);

    change(RULES, false);
    APP.sent("DELETE", "/api/outbox/" + id, "");
    round(Duration.ZERO);
    assertThat(posting(id).path("state").asString()).isEqualTo("WITHDRAWING");
    change(RULES, true);
    round(Duration.ofMinutes(2));
    await(id, PostingState.WITHDRAWN);
  }

  /** One that cannot be looked at, in front of one that can. */
  @Test
  void whatCannotBeDealtWithHoldsUpNoneOfTheOthers() throws Exception {
    long gone = APP.clip("Of an episode that is away", 3);
    long waits = posted(gone, "null");
    APP.sent("DELETE", "/api/clips/" + gone, "");
    long id = posted(clip, "null");
    await(id, PostingState.ACCEPTED);
    assertThat(APP.part(PostingStore.class).byId(waits).orElseThrow().reasons())
        .containsExactly("waits for its file: its clip or its episode is in the bin");
    PostingRounds rounds =
        new PostingRounds(
            APP.part(PostingStore.class),
            APP.part(DestinationStore.class),
            APP.part(Consignments.class),
            new Outlet() {
              @Override
              public Answer post(Consignment consignment) {
                throw new IllegalStateException("broken");
              }

              @Override
              public boolean withdraw(String key) {
                throw new IllegalStateException("broken");
              }
            },
            APP.part(paringknife.server.events.Events.class));
    PostingStore store = APP.part(PostingStore.class);
    store.to(store.byId(id).orElseThrow(), PostingState.WITHDRAWING, List.of(), null);
    rounds.roundAsOf(Instant.now());
    assertThat(store.byId(id).orElseThrow().reasons())
        .containsExactly("it cannot be dealt with just now");
    round(Duration.ofMinutes(2));
    await(id, PostingState.WITHDRAWN);
  }

  @Test
  void whatCameTooLateIsNotPostedUnasked() throws Exception {
    LocalDateTime yesterday = LocalDateTime.now(ZoneOffset.UTC).minusDays(1);
    long id = posted(clip, "\"" + yesterday.truncatedTo(ChronoUnit.MINUTES) + "\"");
    assertThat(reasons(await(id, PostingState.MISSED)))
        .contains("while the program was not running");
    assertThat(Files.exists(receipt(id))).isFalse();
  }

  /** As if the server had been killed after the destination took it and before that was noted. */
  @Test
  void whatWasBeingHandedOverIsPostedOnce() throws Exception {
    long id = posted(clip, "\"" + LocalDateTime.now(ZoneOffset.UTC).plusDays(30) + "\"");
    PostingStore store = APP.part(PostingStore.class);
    PostingStore.Row seen = store.byId(id).orElseThrow();
    assertThat(store.begin(seen)).isTrue();
    assertThat(store.begin(seen)).as("a second time").isFalse();
    PostingStore.Row begun = store.byId(id).orElseThrow();
    Consignments consignments = APP.part(Consignments.class);
    var consignment = consignments.of(begun, APP.part(DestinationStore.class).byId(destination));
    var answer = APP.part(StandInOutlet.class).post(consignment);

    APP.part(PostingRounds.class).takeUpAgain();
    round(Duration.ofDays(31));
    PostingStore.Row after = store.byId(id).orElseThrow();
    assertThat(after.state()).isEqualTo(PostingState.ACCEPTED);
    assertThat(answer.toString()).contains(after.reference());

    // Taking back overtakes whoever is still handing it over.
    assertThat(store.to(begun, PostingState.REFUSED, List.of("late"), null)).isFalse();
  }

  @Test
  void theSameFileIsNotPutInTwice() throws Exception {
    posted(clip, "\"2100-01-01T00:00\"");
    HttpResponse<String> twice = scheduled(clip, "\"2100-01-02T00:00\"");
    assertThat(twice.statusCode()).isEqualTo(422);
    assertThat(twice.body()).contains("is in the outbox for Place", "already");
    assertThat(APP.sent("DELETE", "/api/outbox/destinations/" + destination, "").statusCode())
        .isEqualTo(422);
  }

  @Test
  void whatNobodyMeansIsRefused() throws Exception {
    for (String when :
        List.of(
            "{\"first\":null,\"zone\":\"Nowhere/Land\",\"everyHours\":1}",
            "{\"first\":null,\"zone\":\"UTC\",\"everyHours\":-1}",
            "{\"first\":\"9999-01-01T00:00\",\"zone\":\"UTC\",\"everyHours\":1}")) {
      assertThat(
              APP.postAny(
                      "/api/outbox",
                      "{\"files\":[{\"clipId\":%d,\"spec\":\"%s\"}],\"destination\":%d,\"when\":%s}"
                          .formatted(clip, spec, destination, when))
                  .statusCode())
          .as(when)
          .isEqualTo(422);
    }
    assertThat(
            APP.sent("GET", "/api/outbox?from=2026-01-01T00:00:00Z&to=2025-01-01T00:00:00Z", "")
                .statusCode())
        .isEqualTo(422);
    String taken = "{\"name\":\" place  " + made + " \",\"rules\":" + RULES + ",\"answers\":true}";
    assertThat(APP.postAny("/api/outbox/destinations", taken).statusCode()).isEqualTo(422);
  }

  /** Read by ical4j; lines by RFC 5545, 3.1: 75 octets at most, ended by CRLF. */
  @Test
  void theScheduleIsACalendarFile() throws Exception {
    long id = posted(clip, "\"2026-12-24T18:30\"");
    String text = new String(APP.getBytes("/api/outbox/schedule.ics"), StandardCharsets.UTF_8);
    assertThat(text).endsWith("END:VCALENDAR\r\n");
    for (String line : text.split("\r\n")) {
      assertThat(line.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(75);
      assertThat(line).doesNotContain("\n");
    }
    Calendar calendar = new CalendarBuilder().build(new StringReader(text));
    calendar.validate();
    VEvent event =
        calendar.<VEvent>getComponents("VEVENT").stream()
            .filter(
                e -> e.getUid().orElseThrow().getValue().equals("posting-" + id + "@paring-knife"))
            .findFirst()
            .orElseThrow();
    assertThat(event.getSummary().getValue())
        .startsWith("Ice, came; up 🔪 and up")
        .endsWith("Place " + made);
    assertThat(Instant.from(event.getDateTimeStart().getDate()))
        .isEqualTo(Instant.parse("2026-12-24T18:30:00Z"));
    assertThat(event.getStatus().getValue()).isEqualTo("TENTATIVE");
  }
}
