package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.RENDERING;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.server.database.Utc;

/** Whose turn it is to work on an order, of several who would. */
@Repository
class Turns {
  private final DSLContext db;
  private final RenderingStore renderings;

  Turns(DSLContext db, RenderingStore renderings) {
    this.db = db;
    this.renderings = renderings;
  }

  /** What somebody who wants to begin an attempt is told. */
  enum Turn {
    /** Go on. */
    YOURS,
    /** Somebody else is making it, or the very same file, which can be copied: ask again later. */
    WAIT,
    /** It was cancelled, or ordered anew. */
    OVERTAKEN
  }

  /**
   * Begins an attempt, unless another one of the same fingerprint is under way, or somebody else
   * makes it beside theirs. Rows of one fingerprint are looked at by one at a time.
   */
  @Transactional
  Turn begin(RenderingStore.Attempt attempt, String fingerprint) {
    Condition isLed =
        RENDERING.STATE.eq(RenderState.RENDERING.name()).and(RENDERING.LED_BY.isNotNull());
    if (!isTaken(attempt, fingerprint) && begun(attempt, fingerprint, null, DSL.not(isLed))) {
      return Turn.YOURS;
    }
    boolean isWanted =
        renderings
            .byId(attempt.id())
            .filter(r -> r.present().equals(attempt) && r.state().isUnderWay())
            .isPresent();
    return isWanted ? Turn.WAIT : Turn.OVERTAKEN;
  }

  /** An attempt, and what it is made from. */
  record Asked(RenderingStore.Attempt attempt, String fingerprint) {}

  /**
   * What came of an attempt to begin several.
   *
   * @param turn of the one that leads
   * @param followers those that were begun beside it
   */
  record Begun(Turn turn, Set<RenderingStore.Attempt> followers) {}

  /** Begins an attempt of a clip and, beside it, others of the same clip that are free. */
  @Transactional
  Begun beginTogether(long clipId, Asked leader, List<Asked> others) {
    db.select(RENDERING.ID)
        .from(RENDERING)
        .where(RENDERING.CLIP_ID.eq(clipId))
        .orderBy(RENDERING.ID)
        .forUpdate()
        .fetch();
    Turn turn = begin(leader.attempt(), leader.fingerprint());
    Set<RenderingStore.Attempt> followers = new HashSet<>();
    if (turn == Turn.YOURS) {
      others.stream()
          .filter(o -> follow(o.attempt(), o.fingerprint(), RenderOrders.taskOf(leader.attempt())))
          .forEach(o -> followers.add(o.attempt()));
    }
    return new Begun(turn, followers);
  }

  /**
   * Begins an attempt beside another one that has been begun; answers whether it was free.
   *
   * @param leader the task that makes both
   */
  @Transactional
  boolean follow(RenderingStore.Attempt attempt, String fingerprint, String leader) {
    return !isTaken(attempt, fingerprint)
        && begun(
            attempt,
            fingerprint,
            leader,
            RENDERING.STATE.eq(RenderState.WAITING.name()).or(RENDERING.LED_BY.eq(leader)));
  }

  /** What a task makes beside its own. */
  List<RenderingStore.Row> ledBy(String task) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .where(RENDERING.LED_BY.eq(task).and(RENDERING.STATE.eq(RenderState.RENDERING.name())))
        .orderBy(RENDERING.ID)
        .fetch(renderings::row);
  }

  /** Lets go of an attempt that a task was to make beside its own. */
  void letGo(RenderingStore.Attempt attempt, String leader) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .setNull(RENDERING.LED_BY)
        .where(RenderingStore.is(attempt).and(RENDERING.LED_BY.eq(leader)))
        .execute();
  }

  private boolean isTaken(RenderingStore.Attempt attempt, String fingerprint) {
    return db
        .select(RENDERING.ID, RENDERING.STATE)
        .from(RENDERING)
        .where(RENDERING.FINGERPRINT.eq(fingerprint))
        .forUpdate()
        .fetch()
        .stream()
        .anyMatch(
            r -> r.value1() != attempt.id() && r.value2().equals(RenderState.RENDERING.name()));
  }

  private boolean begun(
      RenderingStore.Attempt attempt,
      String fingerprint,
      @Nullable String leader,
      Condition isFree) {
    return db.update(RENDERING)
            .set(RENDERING.STATE, RenderState.RENDERING.name())
            .set(RENDERING.FINGERPRINT, fingerprint)
            .set(RENDERING.PROGRESS, 0.0)
            .set(RENDERING.STARTED_AT, Utc.now())
            .set(RENDERING.LED_BY, leader)
            .setNull(RENDERING.PROBLEM)
            .where(RenderingStore.is(attempt).and(isFree))
            .execute()
        == 1;
  }
}
