package paringknife.server.clips;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.CLIP_CHANGE;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.pare.ClipDelta;
import paringknife.core.pare.ClipDocument;
import paringknife.server.web.NotThere;
import paringknife.server.web.Outdated;
import tools.jackson.databind.json.JsonMapper;

/**
 * Clips in the database. Every change is one named step in a log, written in the same transaction
 * as the document it leads to, so undo and redo survive everything. A change made from an outdated
 * state is refused.
 */
@Repository
public class ClipStore {
  private static final int STEPS_BETWEEN_DOCUMENTS = 64;

  private final DSLContext db;
  private final JsonMapper json;
  private final Map<Long, StoredClip> recent = new ConcurrentHashMap<>();

  ClipStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /**
   * A clip as it is stored.
   *
   * @param revision grows with every change, undo and redo
   * @param applied how many steps of the log are applied
   * @param written how many steps were applied when the document was last written whole
   * @param undo name of the step that undo takes back; null when there is none
   * @param redo name of the step that redo brings back; null when there is none
   */
  public record StoredClip(
      long id,
      long episodeId,
      int revision,
      int applied,
      int written,
      ClipDocument document,
      @Nullable String undo,
      @Nullable String redo) {}

  @Transactional
  public StoredClip create(long episodeId, ClipDocument document) {
    long id =
        db.insertInto(CLIP)
            .set(CLIP.EPISODE_ID, episodeId)
            .set(CLIP.REVISION, 1)
            .set(CLIP.APPLIED, 0)
            .set(CLIP.DOCUMENT, json.writeValueAsString(document))
            .set(CLIP.DOCUMENT_STEP, 0)
            .returningResult(CLIP.ID)
            .fetchSingle()
            .value1();
    return new StoredClip(id, episodeId, 1, 0, 0, document, null, null);
  }

  public List<StoredClip> ofEpisode(long episodeId) {
    return db.select(CLIP.ID)
        .from(CLIP)
        .where(CLIP.EPISODE_ID.eq(episodeId).and(CLIP.BINNED_AT.isNull()))
        .orderBy(CLIP.ID)
        .fetch(CLIP.ID)
        .stream()
        .map(this::byId)
        .toList();
  }

  public StoredClip byId(long id) {
    var row =
        db.select(CLIP.EPISODE_ID, CLIP.REVISION, CLIP.APPLIED)
            .from(CLIP)
            .where(CLIP.ID.eq(id).and(CLIP.BINNED_AT.isNull()))
            .fetchOptional()
            .orElseThrow(() -> new NotThere("This clip is not there any more."));
    StoredClip known = recent.get(id);
    if (known != null && known.revision() == row.value2()) {
      return known;
    }
    var written = db.select(CLIP.DOCUMENT, CLIP.DOCUMENT_STEP).from(CLIP).where(CLIP.ID.eq(id)).fetchSingle();
    StoredClip read =
        new StoredClip(
            id,
            row.value1(),
            row.value2(),
            row.value3(),
            written.value2(),
            replayed(id, json.readValue(written.value1(), ClipDocument.class), written.value2(), row.value3()),
            name(id, row.value3()).orElse(null),
            name(id, row.value3() + 1).orElse(null));
    recent.put(id, read);
    return read;
  }

  /** A document as written after some steps, brought to where others are applied. */
  private ClipDocument replayed(long id, ClipDocument document, int from, int to) {
    ClipDocument now = document;
    for (int step = from + 1; step <= to; step++) {
      now = delta(id, step).forwards(now);
    }
    for (int step = from; step > to; step--) {
      now = delta(id, step).backwards(now);
    }
    return now;
  }

  private Optional<String> name(long id, int step) {
    return db.select(CLIP_CHANGE.NAME)
        .from(CLIP_CHANGE)
        .where(CLIP_CHANGE.CLIP_ID.eq(id).and(CLIP_CHANGE.STEP.eq(step)))
        .fetchOptional(CLIP_CHANGE.NAME);
  }

  /** Applies a change to the state the caller has seen. A change of nothing is not a step. */
  @Transactional
  public StoredClip change(StoredClip seen, String name, ClipDocument changed) {
    ClipDelta delta = ClipDelta.between(seen.document(), changed);
    if (delta.changesNothing()) {
      return seen;
    }
    int step = seen.applied() + 1;
    int written = save(seen, changed, step, seen.written() > seen.applied());
    if (seen.redo() != null) {
      db.deleteFrom(CLIP_CHANGE)
          .where(CLIP_CHANGE.CLIP_ID.eq(seen.id()).and(CLIP_CHANGE.STEP.ge(step)))
          .execute();
    }
    db.insertInto(CLIP_CHANGE)
        .set(CLIP_CHANGE.CLIP_ID, seen.id())
        .set(CLIP_CHANGE.STEP, step)
        .set(CLIP_CHANGE.NAME, name)
        .set(CLIP_CHANGE.DELTA, json.writeValueAsString(delta))
        .execute();
    return new StoredClip(seen.id(), seen.episodeId(), seen.revision() + 1, step, written, changed, name, null);
  }

  @Transactional
  public StoredClip undo(StoredClip seen) {
    if (seen.applied() == 0) {
      return seen;
    }
    ClipDocument before = delta(seen.id(), seen.applied()).backwards(seen.document());
    return moved(seen, before, seen.applied() - 1);
  }

  @Transactional
  public StoredClip redo(StoredClip seen) {
    if (seen.redo() == null) {
      return seen;
    }
    ClipDocument after = delta(seen.id(), seen.applied() + 1).forwards(seen.document());
    return moved(seen, after, seen.applied() + 1);
  }

  private StoredClip moved(StoredClip seen, ClipDocument document, int applied) {
    int written = save(seen, document, applied, false);
    return new StoredClip(
        seen.id(),
        seen.episodeId(),
        seen.revision() + 1,
        applied,
        written,
        document,
        name(seen.id(), applied).orElse(null),
        name(seen.id(), applied + 1).orElse(null));
  }

  private ClipDelta delta(long id, int step) {
    String text =
        db.select(CLIP_CHANGE.DELTA)
            .from(CLIP_CHANGE)
            .where(CLIP_CHANGE.CLIP_ID.eq(id).and(CLIP_CHANGE.STEP.eq(step)))
            .fetchSingle()
            .value1();
    return json.readValue(text, ClipDelta.class);
  }

  /**
   * Moves the clip on; the document is written whole now and then only, the log has the rest.
   *
   * @param whole whether the steps that lead to the document as written are about to go
   * @return the step at which the document is written
   */
  private int save(StoredClip seen, ClipDocument document, int applied, boolean whole) {
    boolean write = whole || Math.abs(applied - seen.written()) >= STEPS_BETWEEN_DOCUMENTS;
    var update = db.update(CLIP).set(CLIP.REVISION, seen.revision() + 1).set(CLIP.APPLIED, applied);
    if (write) {
      update = update.set(CLIP.DOCUMENT, json.writeValueAsString(document)).set(CLIP.DOCUMENT_STEP, applied);
    }
    int saved = update.where(CLIP.ID.eq(seen.id()).and(CLIP.REVISION.eq(seen.revision()))).execute();
    if (saved == 0) {
      throw new Outdated(
          "This clip was changed in another window. That change is kept; the clip is shown as it is now.");
    }
    return write ? applied : seen.written();
  }

  /** Keeps the newest state at hand; call it once the change is certain. */
  void remember(StoredClip clip) {
    recent.put(clip.id(), clip);
  }

  @Transactional
  public void bin(long id) {
    db.update(CLIP).set(CLIP.BINNED_AT, LocalDateTime.now(ZoneOffset.UTC)).where(CLIP.ID.eq(id)).execute();
    recent.remove(id);
  }

  @Transactional
  public void takeFromBin(long id) {
    db.update(CLIP).setNull(CLIP.BINNED_AT).where(CLIP.ID.eq(id)).execute();
  }
}
