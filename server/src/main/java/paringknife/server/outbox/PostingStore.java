package paringknife.server.outbox;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.POSTING;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import paringknife.core.outbox.PostingState;
import paringknife.server.database.Utc;

/**
 * What is in the outbox, one row a thing to be posted. A row is changed only by whoever finds it in
 * the state that they saw, so that taking something back overtakes its being handed over.
 */
@Repository
class PostingStore {
  private static final int LONGEST_REASONS = 4_000;
  private static final String BETWEEN = "\n";

  private final DSLContext db;

  PostingStore(DSLContext db) {
    this.db = db;
  }

  /**
   * Something to be posted.
   *
   * @param destinationId null when the destination was removed
   * @param key of all tries at it
   * @param dueAt when it is to be out
   * @param nextAt when it is looked at next
   * @param reasons why it is refused, or not out yet
   * @param endedAt when it came to where it is
   */
  record Row(
      long id,
      long clipId,
      String spec,
      @Nullable Long destinationId,
      String destination,
      String key,
      Instant dueAt,
      Instant nextAt,
      PostingState state,
      int tries,
      List<String> reasons,
      @Nullable String reference,
      @Nullable Instant endedAt) {}

  /** What is known of clips and episodes that are posted. */
  record Shown(Row row, long episodeId, String show, String episode) {}

  private static Row row(Record r) {
    return new Row(
        r.get(POSTING.ID),
        r.get(POSTING.CLIP_ID),
        r.get(POSTING.SPEC),
        r.get(POSTING.DESTINATION_ID),
        r.get(POSTING.DESTINATION_NAME),
        r.get(POSTING.POSTING_KEY),
        Utc.instant(r.get(POSTING.DUE_AT)),
        Utc.instant(r.get(POSTING.NEXT_AT)),
        PostingState.valueOf(r.get(POSTING.STATE)),
        r.get(POSTING.TRIES),
        r.get(POSTING.REASONS) == null
            ? List.of()
            : Arrays.asList(r.get(POSTING.REASONS).split(BETWEEN)),
        r.get(POSTING.REFERENCE),
        Utc.instant(r.get(POSTING.ENDED_AT)));
  }

  /** What is due from one time up to another, of clips that are not in the bin, by its time. */
  List<Shown> between(Instant from, Instant to, int most) {
    return db.select(POSTING.fields())
        .select(EPISODE.ID, EPISODE.SHOW_NAME, EPISODE.TITLE)
        .from(POSTING)
        .join(CLIP)
        .on(CLIP.ID.eq(POSTING.CLIP_ID))
        .join(EPISODE)
        .on(EPISODE.ID.eq(CLIP.EPISODE_ID))
        .where(POSTING.DUE_AT.ge(Utc.of(from)).and(POSTING.DUE_AT.lt(Utc.of(to))))
        .and(CLIP.BINNED_AT.isNull())
        .and(EPISODE.BINNED_AT.isNull())
        .orderBy(POSTING.DUE_AT, POSTING.ID)
        .limit(most)
        .fetch(
            r ->
                new Shown(
                    row(r), r.get(EPISODE.ID), r.get(EPISODE.SHOW_NAME), r.get(EPISODE.TITLE)));
  }

  Optional<Row> byId(long id) {
    return db.selectFrom(POSTING).where(POSTING.ID.eq(id)).fetchOptional(PostingStore::row);
  }

  /** Those of one clip for one spec that were not taken back. */
  List<Row> ofCell(long clipId, String spec) {
    return rows(
        POSTING
            .CLIP_ID
            .eq(clipId)
            .and(POSTING.SPEC.eq(spec))
            .and(
                POSTING.STATE.notIn(
                    PostingState.WITHDRAWING.name(), PostingState.WITHDRAWN.name())));
  }

  /** Those of a destination that are still to come. */
  List<Row> toComeAt(long destinationId) {
    return rows(
        POSTING
            .DESTINATION_ID
            .eq(destinationId)
            .and(POSTING.STATE.in(PostingState.SCHEDULED.name(), PostingState.SENDING.name())));
  }

  /** Those in a state that are to be looked at now, the one that has waited longest first. */
  List<Row> due(PostingState state, Instant now) {
    return rows(POSTING.STATE.eq(state.name()).and(POSTING.NEXT_AT.le(Utc.of(now))));
  }

  private List<Row> rows(Condition condition) {
    return db.selectFrom(POSTING)
        .where(condition)
        .orderBy(POSTING.NEXT_AT, POSTING.ID)
        .fetch(PostingStore::row);
  }

  long add(long clipId, String spec, DestinationStore.Destination to, Instant at) {
    return db.insertInto(POSTING)
        .set(POSTING.CLIP_ID, clipId)
        .set(POSTING.SPEC, spec)
        .set(POSTING.DESTINATION_ID, to.id())
        .set(POSTING.DESTINATION_NAME, to.name())
        .set(POSTING.POSTING_KEY, UUID.randomUUID().toString())
        .set(POSTING.DUE_AT, Utc.of(at))
        .set(POSTING.NEXT_AT, Utc.of(at))
        .set(POSTING.STATE, PostingState.SCHEDULED.name())
        .returning(POSTING.ID)
        .fetchOne(POSTING.ID);
  }

  /** Gives it another time, to be tried from the beginning; false when somebody was faster. */
  boolean putOff(Row seen, Instant at) {
    return db.update(POSTING)
            .set(POSTING.DUE_AT, Utc.of(at))
            .set(POSTING.NEXT_AT, Utc.of(at))
            .set(POSTING.STATE, PostingState.SCHEDULED.name())
            .set(POSTING.POSTING_KEY, UUID.randomUUID().toString())
            .set(POSTING.TRIES, 0)
            .setNull(POSTING.REASONS)
            .setNull(POSTING.ENDED_AT)
            .where(isAsSeen(seen))
            .execute()
        == 1;
  }

  /** It comes to a state. False when somebody was faster. */
  boolean to(Row seen, PostingState state, List<String> reasons, @Nullable String reference) {
    return db.update(POSTING)
            .set(POSTING.STATE, state.name())
            .set(POSTING.REASONS, text(reasons))
            .set(POSTING.REFERENCE, reference)
            .set(POSTING.NEXT_AT, Utc.now())
            .set(POSTING.ENDED_AT, Utc.now())
            .where(isAsSeen(seen))
            .execute()
        == 1;
  }

  /** It is begun: one try more. False when somebody was faster. */
  boolean begin(Row seen) {
    return db.update(POSTING)
            .set(POSTING.STATE, PostingState.SENDING.name())
            .set(POSTING.TRIES, seen.tries() + 1)
            .where(isAsSeen(seen))
            .execute()
        == 1;
  }

  /** It waits for another look; of two who looked at once the slower one finds nothing to say. */
  boolean wait(Row seen, PostingState state, Instant next, List<String> reasons) {
    return db.update(POSTING)
            .set(POSTING.STATE, state.name())
            .set(POSTING.NEXT_AT, Utc.of(next))
            .set(POSTING.REASONS, text(reasons))
            .where(isAsSeen(seen).and(POSTING.NEXT_AT.eq(Utc.of(seen.nextAt()))))
            .execute()
        == 1;
  }

  private static Condition isAsSeen(Row seen) {
    return POSTING
        .ID
        .eq(seen.id())
        .and(POSTING.STATE.eq(seen.state().name()))
        .and(POSTING.POSTING_KEY.eq(seen.key()));
  }

  private static @Nullable String text(List<String> reasons) {
    if (reasons.isEmpty()) {
      return null;
    }
    String text = String.join(BETWEEN, reasons);
    return text.substring(0, Math.min(text.length(), LONGEST_REASONS));
  }

  /** What a server that ended was handing over is tried again. */
  int takeUpAgain() {
    return db.update(POSTING)
        .set(POSTING.STATE, PostingState.SCHEDULED.name())
        .where(POSTING.STATE.eq(PostingState.SENDING.name()))
        .execute();
  }
}
