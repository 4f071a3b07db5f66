package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static paringknife.server.database.generated.Tables.WORKER;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jooq.DSLContext;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.server.RunningApplication;
import paringknife.server.workers.Workers;
import tools.jackson.databind.JsonNode;

/** The queue as its page uses it: order, pause, what failed. */
class QueueOverHttpTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static String spec;

  @BeforeAll
  static void makeSpec() throws Exception {
    spec = APP.smallSpec("Small", 270, 270);
  }

  @BeforeAll
  static void waitForTheEpisode() throws Exception {
    APP.awaitReady(1);
  }

  @AfterEach
  void goOn() throws Exception {
    APP.post("/api/queue/pause", "{\"paused\":false}");
    APP.await("/api/queue", q -> names(q, "WAITING").isEmpty());
    APP.awaitIdle();
  }

  private static long clip(String title, int firstWord) throws Exception {
    long id =
        APP.post(
                "/api/episodes/1/clips",
                "{\"title\":\"%s\",\"firstWord\":%d,\"lastWord\":%d}"
                    .formatted(title, firstWord, firstWord + 3))
            .path("id")
            .asLong();
    int revision = APP.get("/api/clips/" + id).path("revision").asInt();
    APP.post(
        "/api/clips/" + id + "/changes",
        "{\"revision\":%d,\"intent\":{\"type\":\"askFor\",\"specs\":[\"%s\"]}}"
            .formatted(revision, spec));
    return id;
  }

  private static List<String> names(JsonNode queue, String state) {
    List<String> names = new ArrayList<>();
    for (JsonNode line : queue.path("lines")) {
      if (line.path("state").asString().equals(state)) {
        names.add(line.path("clip").asString());
      }
    }
    return names;
  }

  private static long id(JsonNode queue, String clip) {
    for (JsonNode line : queue.path("lines")) {
      if (line.path("clip").asString().equals(clip)) {
        return line.path("renderingId").asLong();
      }
    }
    throw new AssertionError(clip + " is not in the queue");
  }

  private static void pause() throws Exception {
    APP.awaitIdle();
    assertThat(APP.post("/api/queue/pause", "{\"paused\":true}").path("paused").asBoolean())
        .isTrue();
  }

  private static void orderAll() throws Exception {
    APP.post("/api/episodes/1/renderings", "{}");
  }

  /** Nothing begins while it is paused, not even once its tasks have had their turn. */
  private static void awaitNothingBegins() throws Exception {
    for (int i = 0; i < 1_000; i++) {
      if (APP.tasks().stream().noneMatch(t -> t.getTaskInstance().getTaskName().equals("render"))) {
        return;
      }
      Thread.sleep(20);
    }
    throw new AssertionError("tasks are left that should have found it paused");
  }

  private static RenderState state(long rendering) {
    return APP.part(RenderingStore.class).byId(rendering).orElseThrow().state();
  }

  /** In a queue that is paused. */
  private static long failed(String clip) throws Exception {
    pause();
    clip(clip, 0);
    orderAll();
    long id = id(APP.get("/api/queue"), clip);
    RenderingStore store = APP.part(RenderingStore.class);
    store.fail(store.byId(id).orElseThrow().present(), "The encoder ended.");
    return id;
  }

  @Test
  void whatWasAskedForLastComesFirstAndMovesAsItIsDragged() throws Exception {
    pause();
    clip("One", 0);
    clip("Two", 4);
    orderAll();
    clip("Three", 8);
    orderAll();
    JsonNode queue = APP.get("/api/queue");
    assertThat(names(queue, "WAITING")).containsExactly("Three", "One", "Two");
    awaitNothingBegins();
    assertThat(names(APP.get("/api/queue"), "WAITING")).hasSize(3);

    JsonNode moved =
        APP.post(
            "/api/queue/move",
            "{\"rendering\":%d,\"before\":%d}".formatted(id(queue, "Two"), id(queue, "Three")));
    assertThat(names(moved, "WAITING")).containsExactly("Two", "Three", "One");
    moved =
        APP.post(
            "/api/queue/move", "{\"rendering\":%d,\"before\":0}".formatted(id(queue, "Three")));
    assertThat(names(moved, "WAITING")).containsExactly("Two", "One", "Three");
    List<Long> wanted = List.of(id(queue, "Two"), id(queue, "One"), id(queue, "Three"));
    assertThat(moved.path("lines").get(0).path("show").isString()).isTrue();

    // A task that is just letting go of its order cannot take it up in its turn.
    awaitNothingBegins();
    goOn();
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    List<RenderingStore.Row> begun =
        APP.part(RenderingStore.class).all().stream()
            .filter(r -> wanted.contains(r.id()))
            .sorted(Comparator.comparing(r -> r.startedAt() == null ? Instant.MAX : r.startedAt()))
            .toList();
    // Two begin at a time.
    assertThat(begun.get(2).id()).as("%s", begun).isEqualTo(wanted.get(2));
  }

  /**
   * The one that answers is among those that work, and another that fell silent is told as such.
   */
  @Test
  void whoWorksIsTold() throws Exception {
    APP.await("/api/workers", w -> w.size() == 1 && w.get(0).path("heardOf").asBoolean());
    JsonNode own = APP.get("/api/workers").get(0);
    assertThat(own.path("here").asBoolean()).isTrue();
    assertThat(own.path("serves").asBoolean()).isTrue();
    assertThat(own.path("hands").asInt()).isEqualTo(2);
    Workers workers = APP.part(Workers.class);
    assertThat(workers.hands()).isEqualTo(2);
    DSLContext db = APP.part(DSLContext.class);
    LocalDateTime now = LocalDateTime.now(ZoneOffset.UTC);
    for (String[] other :
        new String[][] {{"busy-1", "1"}, {"silent-2", "40"}, {"gone-3", "7200"}}) {
      db.insertInto(WORKER)
          .set(WORKER.NAME, other[0])
          .set(WORKER.SERVES, false)
          .set(WORKER.HANDS, 3)
          .set(WORKER.STARTED_AT, now.minusHours(3))
          .set(WORKER.SEEN_AT, now.minusSeconds(Long.parseLong(other[1])))
          .execute();
    }
    assertThat(workers.hands()).as("of those that are heard of").isEqualTo(5);
    APP.await("/api/workers", w -> w.size() == 3);
    for (JsonNode worker : APP.get("/api/workers")) {
      if (worker.path("name").asString().equals("silent-2")) {
        assertThat(worker.path("heardOf").asBoolean()).isFalse();
        assertThat(worker.path("silentSeconds").asLong()).isBetween(40L, 120L);
      }
    }
    db.deleteFrom(WORKER).where(WORKER.HANDS.eq(3)).execute();
  }

  @Test
  void whatIsCancelledLeavesTheQueueAndStaysAway() throws Exception {
    pause();
    clip("Cancelled", 0);
    orderAll();
    long id = id(APP.get("/api/queue"), "Cancelled");
    assertThat(APP.postAny("/api/renderings/" + id + "/cancel", "{}").statusCode()).isEqualTo(200);
    goOn();
    assertThat(state(id)).isEqualTo(RenderState.CANCELLED);
  }

  @Test
  void whatFailedIsToldAndCanBeTriedOnceMore() throws Exception {
    long id = failed("Failing");
    JsonNode queue = APP.get("/api/queue");
    assertThat(names(queue, "FAILED")).containsExactly("Failing");
    assertThat(queue.path("lines").get(0).path("problem").asString())
        .isEqualTo("The encoder ended.");
    JsonNode again = APP.post("/api/queue/again", "{\"rendering\":%d}".formatted(id));
    assertThat(names(again, "WAITING")).containsExactly("Failing");
    assertThat(APP.postAny("/api/queue/again", "{\"rendering\":%d}".formatted(id)).statusCode())
        .isEqualTo(404);
    goOn();
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    assertThat(state(id)).isEqualTo(RenderState.DONE);
    assertThat(APP.get("/api/queue").path("finished").get(0).path("clip").asString())
        .isEqualTo("Failing");
  }

  @Test
  void whatFailedIsLetGoOf() throws Exception {
    long id = failed("Given up");
    APP.postAny("/api/renderings/" + id + "/cancel", "{}");
    assertThat(APP.get("/api/queue").path("lines")).isEmpty();
  }

  /** The encoder makes one file; whoever waits for the same one is told so, and takes no time. */
  @Test
  void ofTwoThatComeToTheSameFileOneWaitsForTheOther() throws Exception {
    pause();
    clip("Twin", 0);
    clip("Twin", 0);
    orderAll();
    JsonNode lines = APP.get("/api/queue").path("lines");
    assertThat(lines).hasSize(2);
    assertThat(lines.get(0).path("copies").asBoolean()).isFalse();
    assertThat(lines.get(1).path("copies").asBoolean()).isTrue();
    goOn();
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    List<Double> work =
        APP.part(QueueStore.class).finished().stream()
            .filter(o -> o.row().spec().equals(spec))
            .limit(2)
            .map(QueueStore.Order::work)
            .toList();
    assertThat(work).as("what was copied is no measure of how fast it goes").contains(0.0);
  }

  @Test
  void restTimesAreToldOnceSomethingWasMeasured() throws Exception {
    clip("Measured", 0);
    orderAll();
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    pause();
    clip("Later", 4);
    orderAll();
    JsonNode paused = APP.get("/api/queue");
    assertThat(paused.path("secondsLeft").isNull()).as("nothing goes on").isTrue();
    APP.post("/api/queue/pause", "{\"paused\":false}");
    JsonNode begun =
        APP.await("/api/queue", q -> q.path("lines").isEmpty() || q.path("secondsLeft").isNumber());
    assertThat(begun.path("secondsLeft").isNumber()).as("told while it goes on").isTrue();
  }
}
