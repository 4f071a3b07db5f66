package paringknife.server.clips;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.CLIP_CHANGE;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.ClipDelta;
import paringknife.core.clip.ClipDesk;
import paringknife.core.clip.ClipDocument;
import paringknife.server.database.Recent;
import paringknife.server.database.StepLog;
import paringknife.server.web.NotThere;
import paringknife.server.web.Outdated;
import tools.jackson.databind.json.JsonMapper;

/**
 * Clips in the database, with every change as a step of a {@link StepLog} in the same transaction
 * as the clip's new revision. A change made from an outdated state is refused.
 */
@Repository
public class ClipStore {
  private final DSLContext db;
  private final ClipFormat format;
  private static final int LONGEST_IN_NAME = 80;

  private final StepLog<ClipDocument, ClipDelta> steps;

  /** More than the sheet of an episode has. */
  private static final int AT_HAND = 300;

  private final Recent<StoredClip> recent = new Recent<>(AT_HAND);

  ClipStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.format = new ClipFormat(json);
    this.steps =
        new StepLog<>(
            db,
            new StepLog.Columns(
                CLIP_CHANGE,
                CLIP_CHANGE.CLIP_ID,
                CLIP_CHANGE.STEP,
                CLIP_CHANGE.NAME,
                CLIP_CHANGE.DELTA,
                CLIP_CHANGE.MADE_AT,
                CLIP_CHANGE.AUTHOR),
            format);
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
            .set(CLIP.DOCUMENT, format.write(document))
            .set(CLIP.DOCUMENT_STEP, 0)
            .returningResult(CLIP.ID)
            .fetchSingle()
            .value1();
    return new StoredClip(id, episodeId, 1, 0, 0, document, null, null);
  }

  public List<StoredClip> ofEpisode(long episodeId) {
    return all(CLIP.EPISODE_ID.eq(episodeId).and(CLIP.BINNED_AT.isNull()));
  }

  /**
   * Clips in two queries, however many there are, besides one for each step since it was written;
   * in one where all of them were at hand.
   */
  private List<StoredClip> all(Condition condition) {
    List<Held> held =
        db.select(CLIP.ID, CLIP.EPISODE_ID, CLIP.REVISION, CLIP.APPLIED)
            .from(CLIP)
            .where(condition)
            .orderBy(CLIP.ID)
            .fetch(r -> new Held(r.value1(), r.value2(), r.value3(), r.value4()));
    List<Long> unknown = held.stream().filter(h -> known(h) == null).map(Held::id).toList();
    Map<Long, Written> written = unknown.isEmpty() ? Map.of() : written(unknown);
    return held.stream().map(h -> stored(h, written.get(h.id()))).toList();
  }

  private Map<Long, Written> written(List<Long> ids) {
    return db
        .select(CLIP.ID, CLIP.REVISION, CLIP.DOCUMENT, CLIP.DOCUMENT_STEP, stepName(0), stepName(1))
        .from(CLIP)
        .where(CLIP.ID.in(ids))
        .fetch()
        .parallelStream()
        .collect(
            Collectors.toMap(
                r -> r.value1(),
                r ->
                    new Written(
                        r.value2(),
                        format.document(r.value3()),
                        r.value4(),
                        r.value5(),
                        r.value6())));
  }

  /** What tells whether a clip is known. */
  private record Held(long id, long episodeId, int revision, int applied) {}

  /** A document as it was last written whole, and after how many steps that was. */
  private record Written(
      int revision,
      ClipDocument document,
      int step,
      @Nullable String undo,
      @Nullable String redo) {}

  /** The name of the step that was applied last, or of the one after it. */
  private static Field<String> stepName(int after) {
    return DSL.field(
        DSL.select(CLIP_CHANGE.NAME)
            .from(CLIP_CHANGE)
            .where(CLIP_CHANGE.CLIP_ID.eq(CLIP.ID))
            .and(CLIP_CHANGE.STEP.eq(CLIP.APPLIED.plus(after))));
  }

  private @Nullable StoredClip known(Held held) {
    StoredClip known = recent.get(held.id());
    return known != null && known.revision() == held.revision() ? known : null;
  }

  /**
   * A clip of what is known of it.
   *
   * @param written null where the clip was at hand when that was asked for
   */
  private StoredClip stored(Held held, @Nullable Written written) {
    StoredClip known = known(held);
    if (known != null) {
      return known;
    }
    if (written == null || written.revision() != held.revision()) {
      // Somebody changed it between the two queries; what they made of it is asked for.
      return byId(held.id());
    }
    StoredClip read =
        new StoredClip(
            held.id(),
            held.episodeId(),
            held.revision(),
            held.applied(),
            written.step(),
            steps.replayed(held.id(), written.document(), written.step(), held.applied()),
            written.undo(),
            written.redo());
    recent.put(held.id(), read);
    return read;
  }

  public StoredClip byId(long id) {
    return all(CLIP.ID.eq(id).and(CLIP.BINNED_AT.isNull())).stream()
        .findFirst()
        .orElseThrow(() -> new NotThere("This clip is not there any more."));
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
    steps.append(seen.id(), step, name, delta, seen.redo() != null);
    return new StoredClip(
        seen.id(), seen.episodeId(), seen.revision() + 1, step, written, changed, name, null);
  }

  @Transactional
  public StoredClip undo(StoredClip seen) {
    return seen.applied() == 0 ? seen : moved(seen, seen.applied() - 1);
  }

  @Transactional
  public StoredClip redo(StoredClip seen) {
    return seen.redo() == null ? seen : moved(seen, seen.applied() + 1);
  }

  private StoredClip moved(StoredClip seen, int applied) {
    ClipDocument document = steps.replayed(seen.id(), seen.document(), seen.applied(), applied);
    int written = save(seen, document, applied, false);
    return new StoredClip(
        seen.id(),
        seen.episodeId(),
        seen.revision() + 1,
        applied,
        written,
        document,
        steps.name(seen.id(), applied),
        steps.name(seen.id(), applied + 1));
  }

  /**
   * Moves the clip on.
   *
   * @param leaving whether the steps that lead to the document as written are about to go
   * @return the step at which the document is written
   */
  private int save(StoredClip seen, ClipDocument document, int applied, boolean leaving) {
    boolean write = StepLog.writesWhole(applied, seen.written(), leaving);
    var update = db.update(CLIP).set(CLIP.REVISION, seen.revision() + 1).set(CLIP.APPLIED, applied);
    if (write) {
      update = update.set(CLIP.DOCUMENT, format.write(document)).set(CLIP.DOCUMENT_STEP, applied);
    }
    int saved =
        update.where(CLIP.ID.eq(seen.id()).and(CLIP.REVISION.eq(seen.revision()))).execute();
    if (saved == 0) {
      throw new Outdated(
          "This clip was changed in another window. That change is kept; the clip is shown as it is now.");
    }
    return write ? applied : seen.written();
  }

  /** What was done to a clip last, newest first. */
  List<StepLog.StepTaken> lastSteps(long id, int most) {
    return steps.last(id, byId(id).applied(), most);
  }

  /** Keeps the newest state at hand; call it once the change is certain. */
  void remember(StoredClip clip) {
    recent.put(clip.id(), clip);
  }

  /** The two clips that come of parting one, as they are stored. */
  public record Parted(StoredClip first, StoredClip second) {}

  /** Puts two clips in the place of one, both or neither. */
  @Transactional
  public Parted part(StoredClip seen, ClipDesk.Parted parted) {
    StoredClip first = change(seen, "part the clip", parted.first());
    return new Parted(first, create(seen.episodeId(), parted.second()));
  }

  /** Puts another clip after one and bins it, both or neither. */
  @Transactional
  public StoredClip join(StoredClip seen, StoredClip other, ClipDocument joined) {
    StoredClip after = change(seen, "join on " + shortly(other.document().title()), joined);
    bin(other.id());
    return after;
  }

  private static String shortly(String title) {
    return title.length() <= LONGEST_IN_NAME
        ? title
        : title.substring(0, LONGEST_IN_NAME) + "\u2026";
  }

  /** Clips that have been in the bin since before a time, UTC. */
  public List<Long> binnedBefore(LocalDateTime time) {
    return db.select(CLIP.ID).from(CLIP).where(CLIP.BINNED_AT.lt(time)).fetch(CLIP.ID);
  }

  /** Forgets a clip with its steps, its versions and what was rendered of it. */
  @Transactional
  public void forget(long id) {
    db.deleteFrom(CLIP).where(CLIP.ID.eq(id)).execute();
    recent.remove(id);
  }

  @Transactional
  public void bin(long id) {
    db.update(CLIP)
        .set(CLIP.BINNED_AT, LocalDateTime.now(ZoneOffset.UTC))
        .where(CLIP.ID.eq(id))
        .execute();
    recent.remove(id);
  }

  @Transactional
  public void takeFromBin(long id) {
    db.update(CLIP).setNull(CLIP.BINNED_AT).where(CLIP.ID.eq(id)).execute();
  }
}
