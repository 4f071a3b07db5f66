package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.RENDERING;
import static paringknife.server.database.generated.Tables.RENDER_QUEUE;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.proof.ProofCopy;
import paringknife.server.database.Utc;

/** Where orders of all episodes stand in the queue, and whether it is paused. */
@Repository
class QueueStore {
  /** How far apart orders stand. */
  static final long APART_US = 1_000;

  /** How fast it goes is told by so many renderings that finished last. */
  private static final int TELLING = 12;

  /** So many files that were finished last are told. */
  private static final int FINISHED = 12;

  private static final int THE_ONLY = 1;

  private final DSLContext db;
  private final RenderingStore renderings;

  QueueStore(DSLContext db, RenderingStore renderings) {
    this.db = db;
    this.renderings = renderings;
  }

  /**
   * Where an order stands in the queue.
   *
   * @param placeUs the smallest comes first; 0 for what was ordered before there were places
   */
  record Placed(RenderingStore.Attempt attempt, long placeUs) {}

  /**
   * One order of the queue.
   *
   * @param work seconds of film times millions of pixels
   */
  record Order(RenderingStore.Row row, long episodeId, String show, String episode, double work) {}

  /** What is rendered, then what waits, in order, then what failed. */
  List<Order> orders() {
    return orders(
            RENDERING.STATE.in(
                RenderState.WAITING.name(),
                RenderState.RENDERING.name(),
                RenderState.FAILED.name()))
        .orderBy(
            RENDERING.STATE.eq(RenderState.RENDERING.name()).desc(),
            RENDERING.STATE.eq(RenderState.WAITING.name()).desc(),
            RENDERING.PLACE,
            RENDERING.ID)
        .fetch(this::order);
  }

  /** What was finished last, the newest first, but for films that are only shown for a yes. */
  List<Order> finished() {
    return orders(RENDERING.STATE.eq(RenderState.DONE.name()).and(RENDERING.SPEC.ne(ProofCopy.ID)))
        .orderBy(RENDERING.FINISHED_AT.desc(), RENDERING.ID.desc())
        .limit(FINISHED)
        .fetch(this::order);
  }

  /** Of clips and episodes that are not in the bin. */
  private SelectConditionStep<?> orders(Condition which) {
    return db.select(RENDERING.fields())
        .select(CLIP.EPISODE_ID, EPISODE.SHOW_NAME, EPISODE.TITLE)
        .from(RENDERING)
        .join(CLIP)
        .on(CLIP.ID.eq(RENDERING.CLIP_ID))
        .join(EPISODE)
        .on(EPISODE.ID.eq(CLIP.EPISODE_ID))
        .where(which.and(CLIP.BINNED_AT.isNull()).and(EPISODE.BINNED_AT.isNull()));
  }

  private Order order(Record r) {
    return new Order(
        renderings.row(r),
        r.get(CLIP.EPISODE_ID),
        r.get(EPISODE.SHOW_NAME),
        r.get(EPISODE.TITLE),
        r.get(RENDERING.WORK));
  }

  /** Orders that have neither finished nor been given up, in order, of clips in the bin too. */
  List<Placed> underWay() {
    return db.select(RENDERING.ID, RENDERING.ATTEMPT, RENDERING.PLACE)
        .from(RENDERING)
        .where(RENDERING.STATE.in(RenderState.UNDER_WAY))
        .orderBy(RENDERING.PLACE, RENDERING.ID)
        .fetch(r -> new Placed(new RenderingStore.Attempt(r.value1(), r.value2()), r.value3()));
  }

  /**
   * Waiting orders of a clip that stand around one of them, with none of another clip in between:
   * what can be made beside it without passing anybody by.
   *
   * @param leader whose task makes them; what it makes beside it already is among them
   */
  List<RenderingStore.Row> around(RenderingStore.Row leader, int most) {
    Condition waits = RENDERING.STATE.eq(RenderState.WAITING.name());
    Condition isLed =
        RENDERING
            .STATE
            .eq(RenderState.RENDERING.name())
            .and(RENDERING.LED_BY.eq(RenderOrders.taskOf(leader.present())));
    long place =
        db.select(RENDERING.PLACE)
            .from(RENDERING)
            .where(RENDERING.ID.eq(leader.id()))
            .fetchOptional(RENDERING.PLACE)
            .orElse(0L);
    Long before =
        db.select(DSL.max(RENDERING.PLACE))
            .from(RENDERING)
            .where(waits.and(RENDERING.CLIP_ID.ne(leader.clipId())).and(RENDERING.PLACE.lt(place)))
            .fetchOne(0, Long.class);
    return db
        .select(RENDERING.fields())
        .from(RENDERING)
        .where(waits.or(isLed))
        .and(RENDERING.ID.ne(leader.id()))
        .and(before == null ? DSL.noCondition() : RENDERING.PLACE.gt(before))
        .orderBy(RENDERING.PLACE, RENDERING.ID)
        .limit(most)
        .fetch(renderings::row)
        .stream()
        .takeWhile(r -> r.clipId() == leader.clipId())
        .toList();
  }

  private static long nowUs() {
    return System.currentTimeMillis() * 1_000;
  }

  /** The place of the first of so many orders that go before all that wait. */
  long before(int orders) {
    Long first =
        db.select(DSL.min(RENDERING.PLACE))
            .from(RENDERING)
            .where(RENDERING.STATE.eq(RenderState.WAITING.name()))
            .and(RENDERING.PLACE.gt(0L))
            .fetchOne(DSL.min(RENDERING.PLACE));
    return Math.min(nowUs(), first == null ? Long.MAX_VALUE : first) - orders * APART_US;
  }

  /** Puts an order at a place. */
  void put(Placed order) {
    db.update(RENDERING)
        .set(RENDERING.PLACE, order.placeUs())
        .where(RENDERING.ID.eq(order.attempt().id()))
        .execute();
  }

  /** Says how much there is to do for an order; nothing for one that only copies a file. */
  void reckon(RenderingStore.Attempt attempt, double work) {
    db.update(RENDERING).set(RENDERING.WORK, work).where(RENDERING.ID.eq(attempt.id())).execute();
  }

  /** Puts orders behind one another, the last of them at this moment; answers where they stand. */
  @Transactional
  List<Placed> arrange(List<RenderingStore.Attempt> orders) {
    long place = nowUs() - orders.size() * APART_US;
    List<Placed> placed = new ArrayList<>();
    for (RenderingStore.Attempt order : orders) {
      placed.add(new Placed(order, place));
      put(placed.get(placed.size() - 1));
      place += APART_US;
    }
    return placed;
  }

  boolean isPaused() {
    return db.select(RENDER_QUEUE.PAUSED)
        .from(RENDER_QUEUE)
        .where(RENDER_QUEUE.ID.eq(THE_ONLY))
        .fetchOptional(RENDER_QUEUE.PAUSED)
        .orElse(false);
  }

  void pause(boolean paused) {
    db.insertInto(RENDER_QUEUE)
        .set(RENDER_QUEUE.ID, THE_ONLY)
        .set(RENDER_QUEUE.PAUSED, paused)
        .onDuplicateKeyUpdate()
        .set(RENDER_QUEUE.PAUSED, paused)
        .execute();
  }

  /** What was worked on last, and is finished. */
  List<Worked> worked() {
    return db.select(RENDERING.CLIP_ID, RENDERING.STARTED_AT, RENDERING.FINISHED_AT, RENDERING.WORK)
        .from(RENDERING)
        .where(RENDERING.STATE.eq(RenderState.DONE.name()))
        .and(RENDERING.WORK.gt(0.0))
        .and(RENDERING.STARTED_AT.isNotNull())
        .orderBy(RENDERING.FINISHED_AT.desc())
        .limit(TELLING)
        .fetch(
            r ->
                new Worked(
                    r.value1(), Utc.instant(r.value2()), Utc.instant(r.value3()), r.value4()));
  }

  /** A rendering of a clip, from when to when somebody had it in hand, and how much it was. */
  record Worked(long clipId, Instant from, Instant to, double work) {}
}
