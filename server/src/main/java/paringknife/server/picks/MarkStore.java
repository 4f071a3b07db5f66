package paringknife.server.picks;

import static paringknife.server.database.generated.Tables.BRIEF;
import static paringknife.server.database.generated.Tables.CHAPTER;
import static paringknife.server.database.generated.Tables.MARK;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.pick.Brief;
import paringknife.core.pick.Chapter;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** The producer's marks, chapters and briefs in the database. */
@Repository
public class MarkStore {
  private final DSLContext db;
  private final JsonMapper json;

  MarkStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /** What became of a marked stretch. */
  public enum MarkState {
    /** Marked by hand, or imported. */
    MARKED,
    /** A proposal that was passed over. */
    PASSED,
    /** A proposal that something was noted of. */
    NOTED
  }

  /** A stretch somebody marked; times on the episode's clock. */
  public record Mark(
      long id, long startUs, long endUs, MarkState state, String title, String note) {}

  public List<Mark> of(long episodeId) {
    return db.selectFrom(MARK)
        .where(MARK.EPISODE_ID.eq(episodeId))
        .orderBy(MARK.START_US, MARK.ID)
        .fetch(
            r ->
                new Mark(
                    r.get(MARK.ID),
                    r.get(MARK.START_US),
                    r.get(MARK.END_US),
                    MarkState.valueOf(r.get(MARK.STATE)),
                    r.get(MARK.TITLE),
                    r.get(MARK.NOTE)));
  }

  @Transactional
  public long add(
      long episodeId, long startUs, long endUs, MarkState state, String title, String note) {
    check(startUs, endUs);
    return db.insertInto(MARK)
        .set(MARK.EPISODE_ID, episodeId)
        .set(MARK.START_US, startUs)
        .set(MARK.END_US, endUs)
        .set(MARK.STATE, state.name())
        .set(MARK.TITLE, cut(title, 200))
        .set(MARK.NOTE, cut(note, 2_000))
        .returningResult(MARK.ID)
        .fetchSingle()
        .value1();
  }

  @Transactional
  public void change(long episodeId, Mark mark) {
    check(mark.startUs(), mark.endUs());
    int changed =
        db.update(MARK)
            .set(MARK.START_US, mark.startUs())
            .set(MARK.END_US, mark.endUs())
            .set(MARK.STATE, mark.state().name())
            .set(MARK.TITLE, cut(mark.title(), 200))
            .set(MARK.NOTE, cut(mark.note(), 2_000))
            .where(MARK.ID.eq(mark.id()).and(MARK.EPISODE_ID.eq(episodeId)))
            .execute();
    if (changed == 0) {
      throw new NotThere("This mark is not there any more.");
    }
  }

  @Transactional
  public void remove(long episodeId, List<Long> ids) {
    db.deleteFrom(MARK).where(MARK.EPISODE_ID.eq(episodeId).and(MARK.ID.in(ids))).execute();
  }

  private static void check(long startUs, long endUs) {
    if (startUs < 0 || endUs <= startUs) {
      throw new IllegalArgumentException("A mark needs an in before its out.");
    }
  }

  private static String cut(String text, int most) {
    String clean = text.strip();
    return clean.substring(0, Math.min(most, clean.length()));
  }

  /** Chapters as somebody settled them; empty while they are only proposed. */
  public List<Chapter> chapters(long episodeId) {
    return db.selectFrom(CHAPTER)
        .where(CHAPTER.EPISODE_ID.eq(episodeId))
        .orderBy(CHAPTER.START_US)
        .fetch(r -> new Chapter(r.get(CHAPTER.START_US), r.get(CHAPTER.TITLE)));
  }

  @Transactional
  public void settle(long episodeId, List<Chapter> chapters) {
    db.deleteFrom(CHAPTER).where(CHAPTER.EPISODE_ID.eq(episodeId)).execute();
    for (Chapter chapter : chapters) {
      db.insertInto(CHAPTER)
          .set(CHAPTER.EPISODE_ID, episodeId)
          .set(CHAPTER.START_US, chapter.startUs())
          .set(CHAPTER.TITLE, cut(chapter.title(), 200))
          .onDuplicateKeyIgnore()
          .execute();
    }
  }

  public Optional<Brief> brief(String show) {
    return db.select(BRIEF.DOCUMENT)
        .from(BRIEF)
        .where(BRIEF.SHOW_NAME.eq(show))
        .fetchOptional(r -> json.readValue(r.value1(), Brief.class));
  }

  @Transactional
  public void keep(String show, Brief brief) {
    String document = json.writeValueAsString(brief);
    db.insertInto(BRIEF)
        .set(BRIEF.SHOW_NAME, show)
        .set(BRIEF.DOCUMENT, document)
        .onDuplicateKeyUpdate()
        .set(BRIEF.DOCUMENT, document)
        .execute();
  }
}
