package paringknife.server.shelf;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.TRANSCRIPT;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
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

  private static final int LONGEST_PROBLEM = 1_900;

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
   * @param work which of the times work was asked for is the present one
   * @param errors how often that work has failed
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
      int work,
      int errors,
      @Nullable WordsWork wanted) {}

  /** Work on an episode: which one, and which of the times it was asked for. */
  public record Work(long episodeId, int number) {}

  public List<Row> all() {
    return select(DSL.noCondition());
  }

  /** Lets nobody else change an episode until the transaction is over. */
  void lock(long id) {
    db.select(EPISODE.ID).from(EPISODE).where(EPISODE.ID.eq(id)).forUpdate().fetch();
  }

  public Optional<Row> byId(long id) {
    return select(EPISODE.ID.eq(id)).stream().findFirst();
  }

  private List<Row> select(Condition condition) {
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
        r.get(EPISODE.WORK),
        r.get(EPISODE.ERRORS),
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

  private static Condition isWanted(Work work) {
    return EPISODE
        .ID
        .eq(work.episodeId())
        .and(EPISODE.WORK.eq(work.number()))
        .and(EPISODE.STATE.eq(EpisodeState.ARRIVING.name()))
        .and(EPISODE.BINNED_AT.isNull());
  }

  /** Work that has neither ended nor been stopped. */
  List<Work> underWay() {
    return db.select(EPISODE.ID, EPISODE.WORK)
        .from(EPISODE)
        .where(EPISODE.STATE.eq(EpisodeState.ARRIVING.name()).and(EPISODE.BINNED_AT.isNull()))
        .fetch(r -> new Work(r.value1(), r.value2()));
  }

  /**
   * Writes down how far a step is.
   *
   * @return whether the work is still wanted: neither stopped, nor overtaken, nor in the bin
   */
  boolean reportStep(Work work, IngestStep step, double stepShare, double share) {
    return db.update(EPISODE)
            .set(EPISODE.STEP, step.name())
            .set(EPISODE.STEP_PROGRESS, stepShare)
            .set(EPISODE.PROGRESS, share)
            .where(isWanted(work))
            .execute()
        == 1;
  }

  /**
   * Carries out what work came to, unless it is not wanted any more; nobody stops or overtakes it
   * meanwhile.
   *
   * @return whether it was carried out
   */
  @Transactional
  public boolean ifWanted(Work work, Runnable result) {
    boolean wanted =
        !db.select(EPISODE.ID).from(EPISODE).where(isWanted(work)).forUpdate().fetch().isEmpty();
    if (wanted) {
      result.run();
    }
    return wanted;
  }

  /**
   * Asks for work on an episode's words, which overtakes what is under way.
   *
   * @param asked null for what a new episode needs
   */
  @Transactional
  public Work want(long id, @Nullable WordsWork asked) {
    db.update(EPISODE)
        .set(EPISODE.WANTED, asked == null ? null : asked.name())
        .set(EPISODE.STATE, EpisodeState.ARRIVING.name())
        .set(EPISODE.WORK, EPISODE.WORK.plus(1))
        .set(EPISODE.ERRORS, 0)
        .set(EPISODE.PROGRESS, 0.0)
        .setNull(EPISODE.STEP)
        .setNull(EPISODE.PROBLEM)
        .where(EPISODE.ID.eq(id))
        .execute();
    return byId(id).map(r -> new Work(id, r.work())).orElseThrow();
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

  /** Lets go of work on the words of a whole episode, which is as it was before. */
  void letGo(long id) {
    db.update(EPISODE)
        .set(EPISODE.STATE, EpisodeState.READY.name())
        .set(EPISODE.PROGRESS, 1.0)
        .setNull(EPISODE.STEP)
        .setNull(EPISODE.WANTED)
        .where(EPISODE.ID.eq(id).and(EPISODE.STATE.eq(EpisodeState.ARRIVING.name())))
        .execute();
  }

  /** Ends work that went through. */
  public void arrived(Work work, @Nullable String note) {
    db.update(EPISODE)
        .set(EPISODE.STATE, EpisodeState.READY.name())
        .set(EPISODE.PROGRESS, 1.0)
        .setNull(EPISODE.STEP)
        .setNull(EPISODE.WANTED)
        .set(EPISODE.PROBLEM, note)
        .where(isWanted(work))
        .execute();
  }

  /** Ends work that cannot go through. */
  void fail(Work work, String problem) {
    db.update(EPISODE)
        .set(EPISODE.STATE, EpisodeState.FAILED.name())
        .set(EPISODE.PROGRESS, 0.0)
        .setNull(EPISODE.STEP)
        .set(EPISODE.PROBLEM, told(problem))
        .where(isWanted(work))
        .execute();
  }

  /** Says why work that goes on by itself does not at the moment. */
  void waits(Work work, String problem) {
    db.update(EPISODE).set(EPISODE.PROBLEM, told(problem)).where(isWanted(work)).execute();
  }

  /** Counts an error of work; answers how many there have been. */
  @Transactional
  public int countError(Work work) {
    db.update(EPISODE).set(EPISODE.ERRORS, EPISODE.ERRORS.plus(1)).where(isWanted(work)).execute();
    return byId(work.episodeId()).map(Row::errors).orElse(0);
  }

  private static String told(String problem) {
    return problem.substring(0, Math.min(LONGEST_PROBLEM, problem.length()));
  }

  void listenTo(long id, @Nullable Integer sound) {
    db.update(EPISODE).set(EPISODE.LISTENED_SOUND, sound).where(EPISODE.ID.eq(id)).execute();
  }
}
