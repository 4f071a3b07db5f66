package paringknife.server.shelf;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.TRANSCRIPT;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Episodes in the database. */
@Repository
public class EpisodeStore {
  private final DSLContext db;

  EpisodeStore(DSLContext db) {
    this.db = db;
  }

  /** A row of the shelf. */
  public record Row(
      long id,
      String show,
      String title,
      Path source,
      EpisodeState state,
      double progress,
      @Nullable String problem,
      long durationUs,
      int words,
      int clips,
      @Nullable Long shelfId,
      boolean binned) {}

  public List<Row> all() {
    return select(DSL.noCondition());
  }

  public Optional<Row> byId(long id) {
    return select(EPISODE.ID.eq(id)).stream().findFirst();
  }

  private List<Row> select(org.jooq.Condition condition) {
    var clips =
        DSL.selectCount()
            .from(CLIP)
            .where(CLIP.EPISODE_ID.eq(EPISODE.ID).and(CLIP.BINNED_AT.isNull()))
            .asField("clips");
    return db.select(EPISODE.fields())
        .select(TRANSCRIPT.WORD_COUNT, clips)
        .from(EPISODE)
        .leftJoin(TRANSCRIPT)
        .on(TRANSCRIPT.EPISODE_ID.eq(EPISODE.ID))
        .where(condition)
        .orderBy(EPISODE.ID)
        .fetch(EpisodeStore::row);
  }

  private static Row row(Record r) {
    Integer words = r.get(TRANSCRIPT.WORD_COUNT);
    return new Row(
        r.get(EPISODE.ID),
        r.get(EPISODE.SHOW_NAME),
        r.get(EPISODE.TITLE),
        Path.of(r.get(EPISODE.SOURCE)),
        EpisodeState.valueOf(r.get(EPISODE.STATE)),
        r.get(EPISODE.PROGRESS),
        r.get(EPISODE.PROBLEM),
        r.get(EPISODE.DURATION_US),
        words == null ? 0 : words,
        r.get("clips", Integer.class),
        r.get(EPISODE.SHELF_ID),
        r.get(EPISODE.BINNED_AT) != null);
  }

  public Optional<Long> bySource(Path source) {
    return db.select(EPISODE.ID)
        .from(EPISODE)
        .where(EPISODE.SOURCE.eq(source.toString()))
        .fetchOptional(EPISODE.ID);
  }

  /** Adds an episode that waits for ingest. */
  @Transactional
  public long add(String show, String title, Path source, long durationUs) {
    return db.insertInto(EPISODE)
        .set(EPISODE.SHOW_NAME, show)
        .set(EPISODE.TITLE, title)
        .set(EPISODE.SOURCE, source.toString())
        .set(EPISODE.STATE, EpisodeState.ARRIVING.name())
        .set(EPISODE.DURATION_US, durationUs)
        .returningResult(EPISODE.ID)
        .fetchSingle()
        .value1();
  }

  public void report(long id, EpisodeState state, double progress, @Nullable String problem) {
    db.update(EPISODE)
        .set(EPISODE.STATE, state.name())
        .set(EPISODE.PROGRESS, progress)
        .set(EPISODE.PROBLEM, problem == null ? null : problem.substring(0, Math.min(1900, problem.length())))
        .where(EPISODE.ID.eq(id))
        .execute();
  }
}
