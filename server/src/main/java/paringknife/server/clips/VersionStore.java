package paringknife.server.clips;

import static paringknife.server.database.generated.Tables.CLIP_VERSION;

import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.ClipDocument;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** States of clips that are kept: by hand, and before each sweeping change. */
@Repository
public class VersionStore {
  private static final int MOST_AUTOMATIC = 20;

  private final DSLContext db;
  private final ClipFormat format;

  VersionStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.format = new ClipFormat(json);
  }

  /** A kept state; when it was made in milliseconds since 1970. */
  public record Version(long id, String name, boolean automatic, long lengthUs, long madeAt) {}

  public List<Version> of(long clipId) {
    return db.select(
            CLIP_VERSION.ID,
            CLIP_VERSION.NAME,
            CLIP_VERSION.AUTOMATIC,
            CLIP_VERSION.LENGTH_US,
            CLIP_VERSION.MADE_AT)
        .from(CLIP_VERSION)
        .where(CLIP_VERSION.CLIP_ID.eq(clipId))
        .orderBy(CLIP_VERSION.ID.desc())
        .fetch(
            r ->
                new Version(
                    r.value1(),
                    r.value2(),
                    r.value3(),
                    r.value4(),
                    r.value5().toInstant(ZoneOffset.UTC).toEpochMilli()));
  }

  /** Keeps a state; of the automatic ones the newest {@value #MOST_AUTOMATIC} stay. */
  @Transactional
  public void keep(
      long clipId, String name, boolean automatic, long lengthUs, ClipDocument document) {
    db.insertInto(CLIP_VERSION)
        .set(CLIP_VERSION.CLIP_ID, clipId)
        .set(CLIP_VERSION.NAME, name.substring(0, Math.min(200, name.length())))
        .set(CLIP_VERSION.AUTOMATIC, automatic)
        .set(CLIP_VERSION.LENGTH_US, lengthUs)
        .set(CLIP_VERSION.DOCUMENT, format.write(document))
        .execute();
    List<Long> old =
        of(clipId).stream()
            .filter(Version::automatic)
            .skip(MOST_AUTOMATIC)
            .map(Version::id)
            .toList();
    if (!old.isEmpty()) {
      db.deleteFrom(CLIP_VERSION).where(CLIP_VERSION.ID.in(old)).execute();
    }
  }

  public ClipDocument document(long clipId, long versionId) {
    return db.select(CLIP_VERSION.DOCUMENT)
        .from(CLIP_VERSION)
        .where(CLIP_VERSION.ID.eq(versionId).and(CLIP_VERSION.CLIP_ID.eq(clipId)))
        .fetchOptional(r -> format.document(r.value1()))
        .orElseThrow(() -> new NotThere("This version is not there any more."));
  }
}
