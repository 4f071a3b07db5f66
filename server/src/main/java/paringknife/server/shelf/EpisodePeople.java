package paringknife.server.shelf;

import static paringknife.server.database.generated.Tables.PERSON_CORRECTION;

import java.util.List;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import paringknife.core.frame.people.PeopleCorrection;
import tools.jackson.databind.json.JsonMapper;

/** What was put right about who is seen in episodes, in the order in which it was. */
@Repository
public class EpisodePeople {
  /** So much can be put right about one episode. */
  static final int MOST = 2_000;

  private final DSLContext db;
  private final JsonMapper json;

  EpisodePeople(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /** Names the state of what was put right; 0 for nothing. */
  long stateOf(long episodeId) {
    Long last =
        db.select(DSL.max(PERSON_CORRECTION.ID))
            .from(PERSON_CORRECTION)
            .where(PERSON_CORRECTION.EPISODE_ID.eq(episodeId))
            .fetchOne(0, Long.class);
    return last == null ? 0 : last;
  }

  public List<PeopleCorrection> of(long episodeId) {
    return db.select(PERSON_CORRECTION.CORRECTION)
        .from(PERSON_CORRECTION)
        .where(PERSON_CORRECTION.EPISODE_ID.eq(episodeId))
        .orderBy(PERSON_CORRECTION.ID)
        .fetch(r -> json.readValue(r.value1(), PeopleCorrection.class));
  }

  public void add(long episodeId, PeopleCorrection correction) {
    db.insertInto(PERSON_CORRECTION)
        .set(PERSON_CORRECTION.EPISODE_ID, episodeId)
        .set(
            PERSON_CORRECTION.CORRECTION,
            json.writerFor(PeopleCorrection.class).writeValueAsString(correction))
        .execute();
  }

  /** Takes back what was put right last; answers whether there was anything. */
  boolean takeBack(long episodeId) {
    return db.deleteFrom(PERSON_CORRECTION)
            .where(PERSON_CORRECTION.ID.eq(stateOf(episodeId)))
            .execute()
        > 0;
  }
}
