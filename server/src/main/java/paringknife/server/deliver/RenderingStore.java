package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.RENDERING;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.deliver.Check;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What was ordered of the renderer and what came of it: one row a cell of the delivery sheet. */
@Repository
public class RenderingStore {
  private final DSLContext db;
  private final JsonMapper json;

  RenderingStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /**
   * One cell's rendering.
   *
   * @param fingerprint of all that the file is made from; the same means the same file
   */
  public record Row(
      long id,
      long clipId,
      String spec,
      String fingerprint,
      RenderState state,
      double progress,
      @Nullable Instant startedAt,
      String fileName,
      long fileBytes,
      List<Check> checks,
      @Nullable String problem) {}

  public List<Row> all() {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .join(CLIP)
        .on(CLIP.ID.eq(RENDERING.CLIP_ID))
        .where(CLIP.BINNED_AT.isNull())
        .orderBy(RENDERING.ID)
        .fetch(this::row);
  }

  public List<Row> ofEpisode(long episodeId) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .join(CLIP)
        .on(CLIP.ID.eq(RENDERING.CLIP_ID))
        .where(CLIP.EPISODE_ID.eq(episodeId).and(CLIP.BINNED_AT.isNull()))
        .orderBy(RENDERING.ID)
        .fetch(this::row);
  }

  public Optional<Row> byId(long id) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .where(RENDERING.ID.eq(id))
        .fetchOptional(this::row);
  }

  private Row row(Record r) {
    String measured = r.get(RENDERING.MEASURED);
    return new Row(
        r.get(RENDERING.ID),
        r.get(RENDERING.CLIP_ID),
        r.get(RENDERING.SPEC),
        r.get(RENDERING.FINGERPRINT),
        RenderState.valueOf(r.get(RENDERING.STATE)),
        r.get(RENDERING.PROGRESS),
        instant(r.get(RENDERING.STARTED_AT)),
        r.get(RENDERING.FILE_NAME),
        r.get(RENDERING.FILE_BYTES),
        measured == null
            ? List.of()
            : json.readValue(measured, new TypeReference<List<Check>>() {}),
        r.get(RENDERING.PROBLEM));
  }

  private static LocalDateTime now() {
    return LocalDateTime.now(ZoneOffset.UTC);
  }

  private static @Nullable Instant instant(@Nullable LocalDateTime utc) {
    return utc == null ? null : utc.toInstant(ZoneOffset.UTC);
  }

  /** Orders a cell anew; answers its id. */
  @Transactional
  public long order(long clipId, String spec, String fingerprint, String fileName) {
    db.insertInto(RENDERING)
        .set(RENDERING.CLIP_ID, clipId)
        .set(RENDERING.SPEC, spec)
        .set(RENDERING.FINGERPRINT, fingerprint)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .set(RENDERING.FILE_NAME, fileName)
        .onDuplicateKeyUpdate()
        .set(RENDERING.FINGERPRINT, fingerprint)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .set(RENDERING.PROGRESS, 0.0)
        .set(RENDERING.FILE_NAME, fileName)
        .setNull(RENDERING.PROBLEM)
        .setNull(RENDERING.MEASURED)
        .setNull(RENDERING.STARTED_AT)
        .execute();
    return db.select(RENDERING.ID)
        .from(RENDERING)
        .where(RENDERING.CLIP_ID.eq(clipId).and(RENDERING.SPEC.eq(spec)))
        .fetchSingle()
        .value1();
  }

  public void begin(long id) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.RENDERING.name())
        .set(RENDERING.STARTED_AT, now())
        .where(RENDERING.ID.eq(id))
        .execute();
  }

  public void progress(long id, double share) {
    db.update(RENDERING).set(RENDERING.PROGRESS, share).where(RENDERING.ID.eq(id)).execute();
  }

  public void finish(long id, long bytes, List<Check> checks) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.DONE.name())
        .set(RENDERING.PROGRESS, 1.0)
        .set(RENDERING.FINISHED_AT, now())
        .set(RENDERING.FILE_BYTES, bytes)
        .set(RENDERING.MEASURED, json.writeValueAsString(checks))
        .where(RENDERING.ID.eq(id))
        .execute();
  }

  public void fail(long id, String problem) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.FAILED.name())
        .set(RENDERING.PROBLEM, problem.substring(0, Math.min(1900, problem.length())))
        .where(RENDERING.ID.eq(id))
        .execute();
  }

  /** Cancels what has not finished yet. */
  public void cancel(long id) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.CANCELLED.name())
        .where(RENDERING.ID.eq(id))
        .and(RENDERING.STATE.in(RenderState.WAITING.name(), RenderState.RENDERING.name()))
        .execute();
  }
}
