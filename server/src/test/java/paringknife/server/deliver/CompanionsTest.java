package paringknife.server.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import paringknife.core.clip.ComposedClip;
import paringknife.media.ffmpeg.Probe;
import paringknife.media.ffmpeg.Recording;
import paringknife.server.RunningApplication;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.DataFolder;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** Cells of one clip that are made at once, and what may come in between. */
class CompanionsTest {
  @RegisterExtension static final RunningApplication APP = new RunningApplication();

  private static final List<String> SPECS = new ArrayList<>();

  @BeforeAll
  static void makeSpecs() throws Exception {
    SPECS.add(APP.smallSpec("Upright", 270, 480));
    SPECS.add(APP.smallSpec("Square", 300, 300));
    SPECS.add(APP.smallSpec("Broad", 480, 270));
  }

  private static RenderingStore store() {
    return APP.part(RenderingStore.class);
  }

  private static int lastWord = 2;

  /** One that is like no other, so that its files are made and not copied. */
  private static long clip(String title, List<String> specs) throws Exception {
    long clip = APP.clip(title, lastWord++);
    APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"" + String.join("\",\"", specs) + "\"]}");
    return clip;
  }

  private static void pause(boolean paused) throws Exception {
    APP.post("/api/queue/pause", "{\"paused\":" + paused + "}");
  }

  private static List<RenderingStore.Row> of(long clip) {
    return store().all().stream().filter(r -> r.clipId() == clip).toList();
  }

  private static RenderingStore.Row row(long clip, String spec) {
    return of(clip).stream().filter(r -> r.spec().equals(spec)).findFirst().orElseThrow();
  }

  private static List<RenderingStore.Row> await(
      long clip, Predicate<List<RenderingStore.Row>> wanted) throws InterruptedException {
    for (int i = 0; i < 9_000; i++) {
      List<RenderingStore.Row> rows = of(clip);
      if (wanted.test(rows)) {
        return rows;
      }
      Thread.sleep(10);
    }
    throw new AssertionError("never as wanted: " + of(clip));
  }

  private static boolean allAre(List<RenderingStore.Row> rows, RenderState state) {
    return rows.stream().allMatch(r -> r.state() == state);
  }

  @BeforeEach
  void letTheQueueRunEmpty() throws Exception {
    pause(false);
    APP.awaitIdle();
    pause(true);
  }

  @Test
  void whatIsAskedOfOneClipIsMadeByOneTask() throws Exception {
    long clip = clip("Three at once", SPECS);
    APP.post("/api/episodes/1/renderings", "{}");
    pause(false);
    List<RenderingStore.Row> together = await(clip, r -> allAre(r, RenderState.RENDERING));
    List<RenderingStore.Row> led = together.stream().filter(RenderingStore.Row::isLed).toList();
    assertThat(led).hasSize(2);
    RenderingStore.Row leader = together.stream().filter(r -> !r.isLed()).findFirst().orElseThrow();
    assertThat(led).allMatch(r -> RenderOrders.taskOf(leader.present()).equals(r.ledBy()));
    assertThat(APP.get("/api/workers").get(0).path("does")).hasSize(3);
    for (RenderingStore.Row row : await(clip, r -> allAre(r, RenderState.DONE))) {
      Recording.Picture made =
          Probe.of(row.finishedIn(APP.part(DataFolder.class)).orElseThrow()).picture();
      assertThat(made.width() + "x" + made.height())
          .isEqualTo(
              switch (row.spec()) {
                case "broad" -> "480x270";
                case "square" -> "300x300";
                default -> "270x480";
              });
      assertThat(row.checks()).noneMatch(c -> c.verdict().name().equals("FAILS"));
    }
  }

  /** Nothing of it could be shared; another hand may have it meanwhile. */
  @Test
  void whatIsHeldToASizeIsMadeByItself() throws Exception {
    String held =
        APP.smallSpec("Held", 270, 270, e -> e.put("codec", "VP9").put("mostBytes", 5_000_000));
    String heldToo = APP.smallSpec("Held too", 240, 240, e -> e.put("mostBytes", 5_000_000));
    long clip = clip("Held to a size", List.of("upright", held, heldToo, "broad"));
    APP.post("/api/episodes/1/renderings", "{}");
    pause(false);
    List<RenderingStore.Row> led = new ArrayList<>();
    await(
        clip,
        rows -> {
          rows.stream().filter(RenderingStore.Row::isLed).forEach(led::add);
          return allAre(rows, RenderState.DONE);
        });
    assertThat(led).extracting(RenderingStore.Row::spec).doesNotContain(held, heldToo);
    assertThat(row(clip, held).fileBytes()).isBetween(1L, 5_000_000L);
  }

  /** Whoever was about to make what another finished in that moment copies it. */
  @Test
  void whatWasFinishedInBetweenIsCopied() throws Exception {
    int word = lastWord++;
    long first = twin(word);
    pause(false);
    await(first, r -> allAre(r, RenderState.DONE));
    pause(true);
    long second = twin(word);
    RenderingStore.Row row = row(second, "upright");
    ClipStore.StoredClip clip = APP.part(ClipStore.class).byId(second);
    Episode episode = APP.part(Episodes.class).open(clip.episodeId());
    ComposedClip composed = episode.compose(clip.document());
    CellInHand cell =
        CellInHand.of(
            row, composed.forSpec(episode.specs().byId("upright")), APP.part(DataFolder.class));
    assertThat(APP.part(Companions.class).render(cell, row.fingerprint(), clip, episode, composed))
        .isEqualTo(Turns.Turn.WAIT);
    pause(false);
    await(second, r -> allAre(r, RenderState.DONE));
    assertThat(APP.part(QueueStore.class).finished().get(0).work()).as("copied").isZero();
  }

  private static long twin(int lastWord) throws Exception {
    long clip = APP.clip("Twin", lastWord);
    APP.change(clip, "{\"type\":\"askFor\",\"specs\":[\"upright\"]}");
    APP.post("/api/episodes/1/renderings", "{}");
    return clip;
  }

  @Test
  void theLeaderIsCancelledAndTheOthersAreMade() throws Exception {
    long clip = clip("Led and left", SPECS);
    APP.post("/api/episodes/1/renderings", "{}");
    pause(false);
    await(clip, r -> allAre(r, RenderState.RENDERING));
    RenderingStore.Row leader = of(clip).stream().filter(r -> !r.isLed()).findFirst().orElseThrow();
    APP.postAny("/api/renderings/" + leader.id() + "/cancel", "{}");
    await(
        clip,
        r ->
            r.stream()
                .filter(o -> o.id() != leader.id())
                .allMatch(o -> o.state() == RenderState.DONE));
    APP.awaitIdle();
    assertThat(row(clip, leader.spec()).state()).isEqualTo(RenderState.CANCELLED);
    assertThat(filesOf(clip)).hasSize(2);
  }

  private static Set<String> filesOf(long clip) throws Exception {
    Path folder = APP.part(DataFolder.class).finishedFolder();
    try (Stream<Path> files = Files.list(folder)) {
      return files
          .map(f -> f.getFileName().toString())
          .filter(n -> n.startsWith(clip + "_") && Files.isRegularFile(folder.resolve(n)))
          .collect(Collectors.toSet());
    }
  }

  /** An encoder that is killed takes its companions along; each is made again, by itself. */
  @Test
  void whenOneEncoderIsKilledAllAreMadeAgain() throws Exception {
    long clip = clip("Killed beside", SPECS);
    APP.post("/api/episodes/1/renderings", "{}");
    pause(false);
    assertThat(firstEncoder().destroyForcibly()).isTrue();
    assertThat(await(clip, r -> allAre(r, RenderState.DONE))).hasSize(3);
  }

  private static ProcessHandle firstEncoder() throws InterruptedException {
    for (int i = 0; i < 9_000; i++) {
      Optional<ProcessHandle> running =
          ProcessHandle.current()
              .descendants()
              .filter(p -> p.info().command().orElse("").endsWith("ffmpeg"))
              .findFirst();
      if (running.isPresent()) {
        return running.get();
      }
      Thread.sleep(10);
    }
    throw new AssertionError("nothing was encoded");
  }

  /** As after a kill of the machine that led. */
  @Test
  void whatIsLedByNobodyAnyMoreIsTakenUp() throws Exception {
    long clip = clip("Left alone", SPECS.subList(0, 1));
    APP.post("/api/episodes/1/renderings", "{}");
    RenderingStore.Row row = row(clip, "upright");
    assertThat(APP.part(Turns.class).follow(row.present(), row.fingerprint(), "4711-1")).isTrue();
    pause(false);
    await(clip, r -> allAre(r, RenderState.DONE));
  }

  @Test
  void whatIsLedIsNotBegunByAnother() throws Exception {
    long clip = clip("Led", SPECS.subList(0, 1));
    APP.post("/api/episodes/1/renderings", "{}");
    // Its own task would let go of it, since nobody leads it; while all is paused there is none.
    APP.awaitIdle();
    RenderingStore.Row row = row(clip, "upright");
    assertThat(APP.part(Turns.class).follow(row.present(), row.fingerprint(), "4711-1")).isTrue();
    assertThat(APP.part(Turns.class).follow(row.present(), row.fingerprint(), "4712-1")).isFalse();
    assertThat(APP.part(Turns.class).begin(row.present(), row.fingerprint()))
        .isEqualTo(Turns.Turn.WAIT);
    APP.part(Turns.class).letGo(row.present(), "4712-1");
    assertThat(row(clip, "upright").isLed()).isTrue();
    APP.part(Turns.class).letGo(row.present(), "4711-1");
    assertThat(row(clip, "upright").state()).isEqualTo(RenderState.WAITING);
  }

  /** Whoever dragged another clip before it wants that one first. */
  @Test
  void nobodyIsPassedBy() throws Exception {
    long first = clip("First", SPECS);
    long second = clip("Second", SPECS.subList(0, 1));
    APP.post("/api/episodes/1/renderings", "{}");
    QueueStore queue = APP.part(QueueStore.class);
    List<RenderingStore.Row> rows =
        queue.orders().stream()
            .map(QueueStore.Order::row)
            .filter(row -> row.clipId() == first)
            .toList();
    assertThat(queue.around(rows.get(1), 9)).containsExactly(rows.get(0), rows.get(2));
    assertThat(queue.around(rows.get(1), 1)).containsExactly(rows.get(0));
    APP.post(
        "/api/queue/move",
        "{\"rendering\":" + row(second, "upright").id() + ",\"before\":" + rows.get(1).id() + "}");
    assertThat(queue.around(rows.get(0), 9)).isEmpty();
    assertThat(queue.around(rows.get(1), 9)).containsExactly(rows.get(2));
  }
}
