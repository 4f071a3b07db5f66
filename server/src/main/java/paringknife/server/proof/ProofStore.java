package paringknife.server.proof;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.PROOF_CLIP;
import static paringknife.server.database.generated.Tables.PROOF_LINK;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.proof.ProofWord;
import paringknife.server.database.Utc;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The links by which clips are shown, and what came of each clip. */
@Repository
class ProofStore {
  private final DSLContext db;
  private final JsonMapper json;

  ProofStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /**
   * A link.
   *
   * @param token what it is known by: 128 bits of chance, in hexadecimal digits
   * @param expiresAt null for never
   * @param withdrawnAt null while it holds
   * @param downloads whether files may be taken along
   * @param password as it is kept; null for none
   * @param asks whether guests are asked for a yes; a page of finished clips only shows
   */
  record Link(
      long id,
      String token,
      long episodeId,
      String title,
      Instant madeAt,
      @Nullable Instant expiresAt,
      @Nullable Instant withdrawnAt,
      boolean downloads,
      @Nullable String password,
      boolean asks) {
    boolean holds(Instant now) {
      return withdrawnAt == null && (expiresAt == null || now.isBefore(expiresAt));
    }
  }

  /**
   * What was said of a clip by one link.
   *
   * @param approved whether it was a yes; null while nothing was said
   * @param answeredAttempt the file it was said of
   */
  record Verdict(
      long clipId,
      @Nullable Boolean approved,
      @Nullable String answeredBy,
      @Nullable Instant answeredAt,
      @Nullable Integer answeredAttempt) {}

  /** What a link is to be. */
  record NewLink(
      String token,
      long episodeId,
      String title,
      @Nullable Instant expiresAt,
      boolean downloads,
      @Nullable String password,
      boolean asks,
      List<Long> clips) {}

  @Transactional
  public long add(NewLink asked) {
    db.insertInto(PROOF_LINK)
        .set(PROOF_LINK.TOKEN, asked.token())
        .set(PROOF_LINK.EPISODE_ID, asked.episodeId())
        .set(PROOF_LINK.TITLE, asked.title())
        .set(PROOF_LINK.EXPIRES_AT, Utc.of(asked.expiresAt()))
        .set(PROOF_LINK.DOWNLOADS, asked.downloads())
        .set(PROOF_LINK.PASSWORD, asked.password())
        .set(PROOF_LINK.ASKS, asked.asks())
        .execute();
    long id = byToken(asked.token()).orElseThrow().id();
    for (int i = 0; i < asked.clips().size(); i++) {
      db.insertInto(PROOF_CLIP)
          .set(PROOF_CLIP.LINK_ID, id)
          .set(PROOF_CLIP.CLIP_ID, asked.clips().get(i))
          .set(PROOF_CLIP.POSITION, i)
          .execute();
    }
    return id;
  }

  List<Link> ofEpisode(long episodeId) {
    return db.selectFrom(PROOF_LINK)
        .where(PROOF_LINK.EPISODE_ID.eq(episodeId))
        .orderBy(PROOF_LINK.ID.desc())
        .fetch(ProofStore::link);
  }

  Optional<Link> byToken(String token) {
    return db.selectFrom(PROOF_LINK)
        .where(PROOF_LINK.TOKEN.eq(token))
        .fetchOptional(ProofStore::link);
  }

  Optional<Link> byId(long id) {
    return db.selectFrom(PROOF_LINK).where(PROOF_LINK.ID.eq(id)).fetchOptional(ProofStore::link);
  }

  private static Link link(Record r) {
    return new Link(
        r.get(PROOF_LINK.ID),
        r.get(PROOF_LINK.TOKEN),
        r.get(PROOF_LINK.EPISODE_ID),
        r.get(PROOF_LINK.TITLE),
        Utc.instant(r.get(PROOF_LINK.MADE_AT)),
        Utc.instant(r.get(PROOF_LINK.EXPIRES_AT)),
        Utc.instant(r.get(PROOF_LINK.WITHDRAWN_AT)),
        r.get(PROOF_LINK.DOWNLOADS),
        r.get(PROOF_LINK.PASSWORD),
        r.get(PROOF_LINK.ASKS));
  }

  /** The clips of a link that are not in the bin, in its order. */
  List<Verdict> clips(long linkId) {
    return db.select(PROOF_CLIP.fields())
        .from(PROOF_CLIP)
        .join(CLIP)
        .on(CLIP.ID.eq(PROOF_CLIP.CLIP_ID))
        .where(PROOF_CLIP.LINK_ID.eq(linkId).and(CLIP.BINNED_AT.isNull()))
        .orderBy(PROOF_CLIP.POSITION)
        .fetch(
            r ->
                new Verdict(
                    r.get(PROOF_CLIP.CLIP_ID),
                    r.get(PROOF_CLIP.APPROVED),
                    r.get(PROOF_CLIP.ANSWERED_BY),
                    Utc.instant(r.get(PROOF_CLIP.ANSWERED_AT)),
                    r.get(PROOF_CLIP.ANSWERED_ATTEMPT)));
  }

  @Transactional
  public void withdraw(long id) {
    db.update(PROOF_LINK)
        .set(PROOF_LINK.WITHDRAWN_AT, Utc.now())
        .where(PROOF_LINK.ID.eq(id).and(PROOF_LINK.WITHDRAWN_AT.isNull()))
        .execute();
  }

  @Transactional
  public void answer(long linkId, long clipId, boolean approved, String by, int attempt) {
    db.update(PROOF_CLIP)
        .set(PROOF_CLIP.APPROVED, approved)
        .set(PROOF_CLIP.ANSWERED_BY, by)
        .set(PROOF_CLIP.ANSWERED_AT, Utc.now())
        .set(PROOF_CLIP.ANSWERED_ATTEMPT, attempt)
        .where(PROOF_CLIP.LINK_ID.eq(linkId).and(PROOF_CLIP.CLIP_ID.eq(clipId)))
        .execute();
  }

  /** The words of the file looked at before this one; empty when it is the first. */
  Optional<List<ProofWord>> lastLook(long linkId, long clipId, int attempt) {
    Record seen =
        db.select(PROOF_CLIP.fields())
            .from(PROOF_CLIP)
            .where(PROOF_CLIP.LINK_ID.eq(linkId).and(PROOF_CLIP.CLIP_ID.eq(clipId)))
            .fetchSingle();
    return words(before(seen, attempt));
  }

  private static @Nullable String before(Record seen, int attempt) {
    Integer last = seen.get(PROOF_CLIP.SEEN_ATTEMPT);
    boolean isThisOne = last != null && last == attempt;
    return seen.get(isThisOne ? PROOF_CLIP.BEFORE_WORDS : PROOF_CLIP.SEEN_WORDS);
  }

  /**
   * Notes that a file is looked at; answers the words of the one looked at before it, empty when
   * this is the first.
   */
  @Transactional
  public Optional<List<ProofWord>> lookedAt(
      long linkId, long clipId, int attempt, List<ProofWord> words) {
    Record seen =
        db.select(PROOF_CLIP.fields())
            .from(PROOF_CLIP)
            .where(PROOF_CLIP.LINK_ID.eq(linkId).and(PROOF_CLIP.CLIP_ID.eq(clipId)))
            .forUpdate()
            .fetchSingle();
    String before = before(seen, attempt);
    Integer last = seen.get(PROOF_CLIP.SEEN_ATTEMPT);
    if (last == null || last != attempt) {
      db.update(PROOF_CLIP)
          .set(PROOF_CLIP.SEEN_ATTEMPT, attempt)
          .set(PROOF_CLIP.SEEN_WORDS, json.writeValueAsString(words))
          .set(PROOF_CLIP.BEFORE_WORDS, before)
          .where(PROOF_CLIP.LINK_ID.eq(linkId).and(PROOF_CLIP.CLIP_ID.eq(clipId)))
          .execute();
    }
    return words(before);
  }

  private Optional<List<ProofWord>> words(@Nullable String text) {
    return Optional.ofNullable(text)
        .map(t -> json.readValue(t, new TypeReference<List<ProofWord>>() {}));
  }
}
