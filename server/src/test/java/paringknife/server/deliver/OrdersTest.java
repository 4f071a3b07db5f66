package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.kagkarlsson.scheduler.Scheduler;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.springframework.transaction.support.TransactionTemplate;
import paringknife.media.ffmpeg.Probe;
import paringknife.server.RunningApplication;
import paringknife.server.bin.BinSweep;
import paringknife.server.episodes.DataFolder;
import tools.jackson.databind.JsonNode;

/** What is ordered of the renderer: overtaken, cancelled, alike, interrupted, swept. */
class OrdersTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static String upright;
  private static String uprightToo;
  private static String broad;

  @BeforeAll
  static void makeSpecs() throws Exception {
    upright = APP.smallSpec("Upright", 180, 320);
    uprightToo = APP.smallSpec("Upright too", 180, 320);
    broad = APP.smallSpec("Broad", 320, 180);
  }

  private static RenderingStore store() {
    return APP.part(RenderingStore.class);
  }

  private static long clip(String title, String... specs) throws Exception {
    long id =
        APP.post(
                "/api/episodes/1/clips",
                "{\"firstWord\":0,\"lastWord\":4,\"title\":\"" + title + "\"}")
            .path("id")
            .asLong();
    change(id, "{\"type\":\"askFor\",\"specs\":[\"" + String.join("\",\"", specs) + "\"]}");
    return id;
  }

  private static void change(long clip, String intent) throws Exception {
    int revision = APP.get("/api/clips/" + clip).path("revision").asInt();
    APP.post(
        "/api/clips/" + clip + "/changes",
        "{\"revision\":" + revision + ",\"intent\":" + intent + "}");
  }

  private static JsonNode cell(long clip, String spec) throws Exception {
    return cellOf(APP.get("/api/episodes/1/sheet"), clip, spec);
  }

  private static JsonNode cellOf(JsonNode sheet, long clip, String spec) {
    for (JsonNode line : sheet.path("lines")) {
      for (JsonNode cell : line.path("cells")) {
        if (line.path("clipId").asLong() == clip && cell.path("spec").asString().equals(spec)) {
          return cell;
        }
      }
    }
    throw new IllegalStateException("no cell");
  }

  private static JsonNode awaitDone(long clip, String spec) throws Exception {
    JsonNode sheet =
        APP.await(
            "/api/episodes/1/sheet",
            s ->
                List.of("DONE", "FAILED").contains(cellOf(s, clip, spec).path("state").asString()));
    JsonNode cell = cellOf(sheet, clip, spec);
    assertThat(cell.path("state").asString()).as(cell.toString()).isEqualTo("DONE");
    return cell;
  }

  private static Optional<ProcessHandle> encoder() {
    return ProcessHandle.current()
        .descendants()
        .filter(p -> p.info().command().orElse("").endsWith("ffmpeg"))
        .findFirst();
  }

  private static ProcessHandle awaitEncoder() throws InterruptedException {
    for (int i = 0; i < 6_000; i++) {
      Optional<ProcessHandle> running = encoder();
      if (running.isPresent()) {
        return running.get();
      }
      Thread.sleep(10);
    }
    throw new AssertionError("nothing was encoded");
  }

  /** As when the system is short of memory and ends the largest. */
  @Test
  void whatWasKilledWhileItEncodedIsEncodedAgain() throws Exception {
    long clip = clip("Killed", "vertical-60");
    APP.post("/api/episodes/1/renderings", "{}");
    ProcessHandle killed = awaitEncoder();
    assertThat(killed.destroyForcibly()).isTrue();
    assertThat(awaitDone(clip, "vertical-60").path("problem").isNull()).isTrue();
  }

  /** The edit comes while the first run is under way; only what was ordered last is kept. */
  @Test
  void anEditAndASecondOrderOvertakeARealRun() throws Exception {
    long clip = clip("Edited", "vertical-60");
    APP.post("/api/episodes/1/renderings", "{}");
    awaitEncoder();
    change(clip, "{\"type\":\"pareWords\",\"first\":1,\"last\":2}");
    APP.post("/api/episodes/1/renderings", "{}");
    JsonNode cell = awaitDone(clip, "vertical-60");
    assertThat(cell.path("current").asBoolean()).isTrue();
    byte[] file = APP.getBytes("/api/renderings/" + cell.path("renderingId").asLong() + "/file");
    Path made = Files.write(Files.createTempFile("edited", ".mp4"), file);
    long played = APP.get("/api/clips/" + clip).path("pared").path("lengthUs").asLong();
    assertThat(Probe.of(made).durationUs()).isBetween(played - 60_000, played + 60_000);
    Files.delete(made);
  }

  /** Orders without anybody to work on them. */
  private static RenderingStore.Attempt order(long clip, String spec, String fingerprint) {
    return store().order(clip, spec, fingerprint, "name");
  }

  @Test
  void aRunThatWasOvertakenLeavesNoTrace() throws Exception {
    long clip = clip("Overtaken", broad);
    APP.part(Scheduler.class).pause();
    try {
      RenderingStore.Attempt old = order(clip, broad, "a".repeat(64));
      assertThat(APP.part(Turns.class).begin(old, "a".repeat(64))).isEqualTo(Turns.Turn.YOURS);
      RenderingStore.Attempt fresh = order(clip, broad, "b".repeat(64));
      assertThat(fresh.id()).isEqualTo(old.id());
      assertThat(store().progress(old, 0.5)).as("still wanted").isFalse();
      assertThat(store().finish(old, Path.of("film.mp4"), List.of(), Map.of(), List.of()))
          .isFalse();
      store().fail(old, "too late");
      RenderingStore.Row row = store().byId(fresh.id()).orElseThrow();
      assertThat(row.state()).isEqualTo(RenderState.WAITING);
      assertThat(row.fingerprint()).isEqualTo("b".repeat(64));
      assertThat(row.problem()).isNull();
      assertThat(APP.part(Turns.class).begin(fresh, "b".repeat(64))).isEqualTo(Turns.Turn.YOURS);
      assertThat(APP.part(Turns.class).begin(old, "a".repeat(64))).isEqualTo(Turns.Turn.OVERTAKEN);
      store().cancel(fresh.id());
    } finally {
      APP.part(Scheduler.class).resume();
    }
  }

  @Test
  void whatIsCancelledStaysCancelledEvenWhenItBeginsLate() throws Exception {
    long clip = clip("Cancelled", broad);
    RenderingStore.Attempt attempt = order(clip, broad, "c".repeat(64));
    store().cancel(attempt.id());
    assertThat(APP.part(Turns.class).begin(attempt, "c".repeat(64)))
        .isEqualTo(Turns.Turn.OVERTAKEN);
    assertThat(store().progress(attempt, 0.1)).isFalse();
    assertThat(store().byId(attempt.id()).orElseThrow().state()).isEqualTo(RenderState.CANCELLED);
  }

  @Test
  void oneOfTwoAlikeIsMadeAndTheOtherWaits() throws Exception {
    long clip = clip("Alike", upright, uprightToo);
    APP.part(Scheduler.class).pause();
    try {
      String same = "d".repeat(64);
      List<RenderingStore.Attempt> both =
          List.of(order(clip, upright, same), order(clip, uprightToo, same));
      ExecutorService two = Executors.newFixedThreadPool(2);
      List<Callable<Turns.Turn>> begins = new ArrayList<>();
      both.forEach(a -> begins.add(() -> APP.part(Turns.class).begin(a, same)));
      List<Turns.Turn> turns = new ArrayList<>();
      for (Future<Turns.Turn> turn : two.invokeAll(begins)) {
        turns.add(turn.get());
      }
      two.shutdown();
      assertThat(turns).containsExactlyInAnyOrder(Turns.Turn.YOURS, Turns.Turn.WAIT);
      both.forEach(a -> store().cancel(a.id()));
    } finally {
      APP.part(Scheduler.class).resume();
    }
  }

  @Test
  void identicalCellsAreOneFileAndBothAreReady() throws Exception {
    long clip = clip("Twice", upright, uprightToo);
    APP.post("/api/episodes/1/renderings", "{}");
    awaitDone(clip, upright);
    awaitDone(clip, uprightToo);
    byte[] first = file(clip, upright);
    assertThat(first).isEqualTo(file(clip, uprightToo));
    assertThat(first.length).isGreaterThan(1_000);
  }

  private static byte[] file(long clip, String spec) throws Exception {
    return APP.getBytes(
        "/api/renderings/" + cell(clip, spec).path("renderingId").asLong() + "/file");
  }

  /** Nothing on the way from a recording to a file depends on when it is done. */
  @Test
  void theSameOrderTwiceGivesTheSameBytes() throws Exception {
    long one = clip("Once", broad);
    long two = clip("Once more", broad);
    change(two, "{\"type\":\"rename\",\"title\":\"Another name\"}");
    APP.post("/api/episodes/1/renderings", "{}");
    awaitDone(one, broad);
    long id = awaitDone(two, broad).path("renderingId").asLong();
    byte[] copied = APP.getBytes("/api/renderings/" + id + "/file");
    RenderingStore.Row row = store().byId(id).orElseThrow();
    // Ordered anew where nothing alike is at hand, so that it is made and not copied.
    store().cancelAllOf(one);
    Files.delete(
        APP.part(DataFolder.class).finished(one, broad, finishedAttempt(one, broad), "mp4"));
    APP.part(RenderOrders.class)
        .order(List.of(new RenderOrders.Wanted(two, broad, row.fingerprint(), "again", 1)));
    APP.await(
        "/api/episodes/1/sheet",
        s -> cellOf(s, two, broad).path("state").asString().equals("DONE"));
    assertThat(APP.getBytes("/api/renderings/" + id + "/file")).isEqualTo(copied);
  }

  private static int finishedAttempt(long clip, String spec) {
    return store().all().stream()
        .filter(r -> r.clipId() == clip && r.spec().equals(spec))
        .findFirst()
        .orElseThrow()
        .finishedAttempt();
  }

  @Test
  void aFileComesWithTheSubtitlesItWasRenderedWith() throws Exception {
    long clip = clip("\u6f6e", broad);
    long namesake = clip("\u6f6e", broad);
    APP.post("/api/episodes/1/renderings", "{}");
    awaitDone(clip, broad);
    awaitDone(namesake, broad);
    // What others have ordered comes in the same zip.
    APP.await("/api/queue", q -> q.path("lines").isEmpty());
    Map<String, byte[]> before = unzipped();
    change(clip, "{\"type\":\"pareWords\",\"first\":1,\"last\":2}");
    Map<String, byte[]> after = unzipped();
    assertThat(after.keySet()).isEqualTo(before.keySet());
    List<String> ours =
        after.keySet().stream().filter(n -> n.contains("\u6f6e") && n.endsWith(".srt")).toList();
    assertThat(ours).as("two titles alike are two names").hasSize(2);
    for (String name : ours) {
      assertThat(new String(after.get(name), StandardCharsets.UTF_8))
          .isEqualTo(new String(before.get(name), StandardCharsets.UTF_8))
          .containsPattern("ice\\s+came");
    }
  }

  private static Map<String, byte[]> unzipped() throws Exception {
    Map<String, byte[]> files = new TreeMap<>();
    byte[] packed = APP.getBytes("/api/episodes/1/delivery.zip");
    try (ZipInputStream zip =
        new ZipInputStream(new ByteArrayInputStream(packed), StandardCharsets.UTF_8)) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        assertThat(files.put(entry.getName(), zip.readAllBytes())).as(entry.getName()).isNull();
      }
    }
    return files;
  }

  /**
   * A process that dies between writing an order down and giving it to somebody leaves no orphan.
   */
  @Test
  void anOrderThatNobodyWorksOnIsTakenUp() throws Exception {
    long clip = clip("Orphan", upright);
    String fingerprint = "e".repeat(64);
    store().order(clip, upright, fingerprint, "orphan");
    awaitDone(clip, upright);
  }

  @Test
  void anOrderAndItsTaskComeTogetherOrNotAtAll() throws Exception {
    long clip = clip("Together", broad);
    long ordered =
        APP.part(TransactionTemplate.class)
            .execute(
                status -> {
                  APP.part(RenderOrders.class)
                      .order(
                          List.of(new RenderOrders.Wanted(clip, broad, "f".repeat(64), "name", 1)));
                  long id =
                      store().all().stream().filter(r -> r.clipId() == clip).findFirst().get().id();
                  assertThat(hasTask(id)).as("while both are there").isTrue();
                  status.setRollbackOnly();
                  return id;
                });
    assertThat(store().all()).noneMatch(r -> r.clipId() == clip);
    assertThat(hasTask(ordered)).isFalse();
  }

  private static boolean hasTask(long order) {
    return APP.tasks().stream()
        .map(e -> e.getTaskInstance())
        .anyMatch(t -> t.getTaskName().equals("render") && t.getId().startsWith(order + "-"));
  }

  @Test
  void theThirdErrorFreesTheCellWithItsReason() throws Exception {
    long clip = clip("Broken", broad);
    APP.part(Scheduler.class).pause();
    try {
      RenderingStore.Attempt attempt = order(clip, broad, "0".repeat(64));
      for (int n = 1; n <= 3; n++) {
        APP.part(Turns.class).begin(attempt, "0".repeat(64));
        assertThat(store().countError(attempt)).isEqualTo(n);
        assertThat(store().byId(attempt.id()).orElseThrow().state()).isEqualTo(RenderState.WAITING);
      }
      store().fail(attempt, "the disk is gone");
    } finally {
      APP.part(Scheduler.class).resume();
    }
    assertThat(cell(clip, broad).path("problem").asString()).isEqualTo("the disk is gone");
    APP.post("/api/episodes/1/renderings", "{}");
    awaitDone(clip, broad);
  }

  @Test
  void whatHasLainInTheBinForThirtyDaysGoesWithItsFiles() throws Exception {
    long clip = clip("Binned", broad);
    APP.post("/api/episodes/1/renderings", "{}");
    awaitDone(clip, broad);
    Path file =
        APP.part(DataFolder.class).finished(clip, broad, finishedAttempt(clip, broad), "mp4");
    Path stray = APP.part(DataFolder.class).finished(987_654, broad, 1, "mp4");
    Files.writeString(stray, "of a clip that is not there any more");
    assertThat(file).exists();
    APP.send(
        java.net.http.HttpRequest.newBuilder()
            .uri(java.net.URI.create(APP.address() + "/api/clips/" + clip))
            .DELETE());
    LocalDateTime now = LocalDateTime.now(ZoneOffset.UTC);
    APP.part(BinSweep.class).sweepAsOf(now.plusDays(29));
    assertThat(file).exists();
    assertThat(stray).doesNotExist();
    APP.part(BinSweep.class).sweepAsOf(now.plusDays(31));
    assertThat(file).doesNotExist();
    assertThat(store().ofAllClips()).noneMatch(r -> r.clipId() == clip);
  }

  /** Frames a second beyond the spec's are told before rendering; here there are none. */
  @Test
  void theSheetIsNotWorkedOutAnewForEveryRead() throws Exception {
    clip("Read", broad);
    JsonNode first = APP.get("/api/episodes/1/sheet");
    assertThat(APP.get("/api/episodes/1/sheet").path("lines")).hasSameSizeAs(first.path("lines"));
    PlannedCells planned = APP.part(PlannedCells.class);
    var clips = APP.part(paringknife.server.clips.ClipStore.class).ofEpisode(1);
    var episodes = APP.part(paringknife.server.shelf.Episodes.class);
    assertThat(planned.of(clips.get(0), episodes.standing(1)))
        .isSameAs(planned.of(clips.get(0), episodes.standing(1)));
  }

  @Test
  void aFolderThatSomebodyWorksInIsNotSwept() throws IOException {
    Path finished = APP.part(DataFolder.class).finishedFolder();
    Files.createDirectories(finished);
    Path left = Files.createDirectory(finished.resolve(".scratch-left"));
    Files.setLastModifiedTime(
        left,
        java.nio.file.attribute.FileTime.from(
            java.time.Instant.now().minus(Duration.ofMinutes(1))));
    try (var mine = paringknife.media.store.ScratchFolder.in(finished)) {
      paringknife.media.store.ScratchFolder.sweep(finished);
      assertThat(mine.path()).isDirectory();
      assertThat(left).doesNotExist();
    }
  }
}
