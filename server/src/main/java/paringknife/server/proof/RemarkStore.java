package paringknife.server.proof;

import static paringknife.server.database.generated.Tables.PROOF_LINK;
import static paringknife.server.database.generated.Tables.PROOF_REMARK;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Record3;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.proof.ProofWord;
import paringknife.server.database.Utc;

/** What was remarked of clips. */
@Repository
class RemarkStore {
  /** So many remarks, answers included, can be left by one link. */
  static final int MOST = 1_000;

  private static final int LONGEST_WORD = 200;

  private final DSLContext db;

  RemarkStore(DSLContext db) {
    this.db = db;
  }

  /**
   * A remark, or an answer to one.
   *
   * @param answers the remark it answers; null for none
   * @param fromGuest whether it came by the link
   * @param sourceUs the word it is pinned to, on the episode's clock
   * @param fileUs where in the file it was left
   * @param word as it read then
   * @param doneAt null while it is open
   */
  record Remark(
      long id,
      long linkId,
      long clipId,
      @Nullable Long answers,
      String author,
      boolean fromGuest,
      String text,
      long sourceUs,
      long fileUs,
      String word,
      Instant madeAt,
      @Nullable Instant doneAt) {
    /** The same, at another place of the film. */
    Remark at(long otherFileUs) {
      return new Remark(
          id,
          linkId,
          clipId,
          answers,
          author,
          fromGuest,
          text,
          sourceUs,
          otherFileUs,
          word,
          madeAt,
          doneAt);
    }
  }

  /** Who says something, and what. */
  record Saying(String author, boolean fromGuest, String text) {}

  /** Pins a remark to a word. */
  @Transactional
  public void add(long linkId, long clipId, Saying saying, ProofWord word, long fileUs) {
    refuseMore(linkId);
    String shown = word.text().substring(0, Math.min(LONGEST_WORD, word.text().length()));
    insert(linkId, clipId, saying, null, word.sourceUs(), fileUs, shown);
  }

  /** Answers a remark, which is open again with it where a guest answers. */
  @Transactional
  public void answer(Remark remark, Saying saying) {
    refuseMore(remark.linkId());
    insert(
        remark.linkId(),
        remark.clipId(),
        saying,
        remark.id(),
        remark.sourceUs(),
        remark.fileUs(),
        remark.word());
    if (saying.fromGuest()) {
      setDone(remark.id(), false);
    }
  }

  private void insert(
      long linkId,
      long clipId,
      Saying saying,
      @Nullable Long answers,
      long sourceUs,
      long fileUs,
      String word) {
    db.insertInto(PROOF_REMARK)
        .set(PROOF_REMARK.LINK_ID, linkId)
        .set(PROOF_REMARK.CLIP_ID, clipId)
        .set(PROOF_REMARK.ANSWERS, answers)
        .set(PROOF_REMARK.AUTHOR, saying.author())
        .set(PROOF_REMARK.FROM_GUEST, saying.fromGuest())
        .set(PROOF_REMARK.TEXT, saying.text())
        .set(PROOF_REMARK.SOURCE_US, sourceUs)
        .set(PROOF_REMARK.FILE_US, fileUs)
        .set(PROOF_REMARK.WORD, word)
        .execute();
  }

  private void refuseMore(long linkId) {
    if (db.fetchCount(PROOF_REMARK, PROOF_REMARK.LINK_ID.eq(linkId)) >= MOST) {
      throw new IllegalArgumentException(
          "There are " + MOST + " remarks already; ask for a new link.");
    }
  }

  @Transactional
  public void setDone(long id, boolean done) {
    db.update(PROOF_REMARK)
        .set(PROOF_REMARK.DONE_AT, done ? Utc.now() : null)
        .where(PROOF_REMARK.ID.eq(id))
        .execute();
  }

  Optional<Remark> byId(long id) {
    return db.selectFrom(PROOF_REMARK)
        .where(PROOF_REMARK.ID.eq(id))
        .fetchOptional(RemarkStore::remark);
  }

  List<Remark> of(long linkId, long clipId) {
    return in(PROOF_REMARK.LINK_ID.eq(linkId).and(PROOF_REMARK.CLIP_ID.eq(clipId)));
  }

  /** Of a clip by whatever link. */
  List<Remark> ofClip(long clipId) {
    return in(PROOF_REMARK.CLIP_ID.eq(clipId));
  }

  /** How much was said of a clip by a link, answers included, and how much of it is done. */
  record Count(int said, int done) {
    static final Count NONE = new Count(0, 0);
  }

  /** By clip. */
  Map<Long, Count> countsOf(long linkId) {
    return db.select(PROOF_REMARK.CLIP_ID, DSL.count(), DSL.count(PROOF_REMARK.DONE_AT))
        .from(PROOF_REMARK)
        .where(PROOF_REMARK.LINK_ID.eq(linkId))
        .groupBy(PROOF_REMARK.CLIP_ID)
        .fetchMap(Record3::value1, r -> new Count(r.value2(), r.value3()));
  }

  /** How many remarks of each clip of an episode are open. */
  Map<Long, Integer> openIn(long episodeId) {
    return db.select(PROOF_REMARK.CLIP_ID, DSL.count())
        .from(PROOF_REMARK)
        .join(PROOF_LINK)
        .on(PROOF_LINK.ID.eq(PROOF_REMARK.LINK_ID))
        .where(PROOF_LINK.EPISODE_ID.eq(episodeId))
        .and(PROOF_REMARK.ANSWERS.isNull().and(PROOF_REMARK.DONE_AT.isNull()))
        .groupBy(PROOF_REMARK.CLIP_ID)
        .fetchMap(PROOF_REMARK.CLIP_ID, r -> r.get(DSL.count()));
  }

  private List<Remark> in(Condition condition) {
    return db.selectFrom(PROOF_REMARK)
        .where(condition)
        .orderBy(PROOF_REMARK.FILE_US, PROOF_REMARK.ID)
        .fetch(RemarkStore::remark);
  }

  private static Remark remark(Record r) {
    return new Remark(
        r.get(PROOF_REMARK.ID),
        r.get(PROOF_REMARK.LINK_ID),
        r.get(PROOF_REMARK.CLIP_ID),
        r.get(PROOF_REMARK.ANSWERS),
        r.get(PROOF_REMARK.AUTHOR),
        r.get(PROOF_REMARK.FROM_GUEST),
        r.get(PROOF_REMARK.TEXT),
        r.get(PROOF_REMARK.SOURCE_US),
        r.get(PROOF_REMARK.FILE_US),
        r.get(PROOF_REMARK.WORD),
        Utc.instant(r.get(PROOF_REMARK.MADE_AT)),
        Utc.instant(r.get(PROOF_REMARK.DONE_AT)));
  }
}
