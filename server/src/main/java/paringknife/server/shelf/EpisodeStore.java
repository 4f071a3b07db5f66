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
  /** The recording's own sound. */
  public static final int OWN_SOUND = -1;

  private final DSLContext db;

  EpisodeStore(DSLContext db) {
    this.db = db;
  }

  /**
   * A row of the shelf.
   *
   * @param progress share of all work done, 0 to 1
   * @param step what is being done now; null when nothing is
   * @param stepProgress share of that step, 0 to 1
   * @param listenedSound the sound that words are listened for in: {@link #OWN_SOUND}, or the place
   *     of a separate one; null for what is heard
   * @param wanted what was asked to be done to its words; null for what a new episode needs
   */
  public record Row(
      long id,
      String show,
      String title,
      Path source,
      EpisodeState state,
      double progress,
      @Nullable IngestStep step,
      double stepProgress,
      @Nullable String problem,
      long durationUs,
      int words,
      int clips,
      @Nullable Long shelfId,
      boolean binned,
      @Nullable Integer listenedSound,
      @Nullable WordsWork wanted) {}

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
        r.get(EPISODE.STEP) == null ? null : IngestStep.valueOf(r.get(EPISODE.STEP)),
        r.get(EPISODE.STEP_PROGRESS),
        r.get(EPISODE.PROBLEM),
        r.get(EPISODE.DURATION_US),
        words == null ? 0 : words,
        r.get("clips", Integer.class),
        r.get(EPISODE.SHELF_ID),
        r.get(EPISODE.BINNED_AT) != null,
        r.get(EPISODE.LISTENED_SOUND),
        r.get(EPISODE.WANTED) == null ? null : WordsWork.valueOf(r.get(EPISODE.WANTED)));
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

  /**
   * Writes down how far a step is.
   *
   * @return whether the work is still wanted: neither stopped nor in the bin
   */
  boolean reportStep(long id, IngestStep step, double stepShare, double share) {
    return db.update(EPISODE)
            .set(EPISODE.STEP, step.name())
            .set(EPISODE.STEP_PROGRESS, stepShare)
            .set(EPISODE.PROGRESS, share)
            .where(
                EPISODE
                    .ID
                    .eq(id)
                    .and(EPISODE.STATE.eq(EpisodeState.ARRIVING.name()))
                    .and(EPISODE.BINNED_AT.isNull()))
            .execute()
        == 1;
  }

  /** Asks for work on an episode's words; null for what a new episode needs. */
  void want(long id, @Nullable WordsWork work) {
    db.update(EPISODE)
        .set(EPISODE.WANTED, work == null ? null : work.name())
        .set(EPISODE.STATE, EpisodeState.ARRIVING.name())
        .set(EPISODE.PROGRESS, 0.0)
        .setNull(EPISODE.STEP)
        .setNull(EPISODE.PROBLEM)
        .where(EPISODE.ID.eq(id))
        .execute();
  }

  /** Stops work that is under way or waits; false when there is none. */
  boolean stop(long id) {
    return db.update(EPISODE)
            .set(EPISODE.STATE, EpisodeState.STOPPED.name())
            .setNull(EPISODE.STEP)
            .where(EPISODE.ID.eq(id).and(EPISODE.STATE.eq(EpisodeState.ARRIVING.name())))
            .execute()
        == 1;
  }

  /** Ends work that went through. */
  void arrived(long id, @Nullable String note) {
    db.update(EPISODE)
        .set(EPISODE.STATE, EpisodeState.READY.name())
        .set(EPISODE.PROGRESS, 1.0)
        .setNull(EPISODE.STEP)
        .setNull(EPISODE.WANTED)
        .set(EPISODE.PROBLEM, note)
        .where(EPISODE.ID.eq(id).and(EPISODE.STATE.eq(EpisodeState.ARRIVING.name())))
        .execute();
  }

  void listenTo(long id, @Nullable Integer sound) {
    db.update(EPISODE).set(EPISODE.LISTENED_SOUND, sound).where(EPISODE.ID.eq(id)).execute();
  }

  public void report(long id, EpisodeState state, double progress, @Nullable String problem) {
    db.update(EPISODE)
        .set(EPISODE.STATE, state.name())
        .set(EPISODE.PROGRESS, progress)
        .set(
            EPISODE.PROBLEM,
            problem == null ? null : problem.substring(0, Math.min(1900, problem.length())))
        .where(EPISODE.ID.eq(id))
        .execute();
  }
}
