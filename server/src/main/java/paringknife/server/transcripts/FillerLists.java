package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.FILLER_LIST;

import java.util.Arrays;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.Habits;
import paringknife.core.pare.FillerList;

/** The filler words that a show has for a language; the shipped ones until it changes them. */
@Repository
public class FillerLists {
  private final DSLContext db;

  FillerLists(DSLContext db) {
    this.db = db;
  }

  public FillerList of(String show, String language) {
    return db.select(FILLER_LIST.SURE, FILLER_LIST.DOUBTFUL)
        .from(FILLER_LIST)
        .where(FILLER_LIST.SHOW_NAME.eq(show).and(FILLER_LIST.LANGUAGE.eq(language)))
        .fetchOptional(r -> new FillerList(lines(r.value1()), lines(r.value2())))
        .orElseGet(() -> FillerList.of(language));
  }

  /** All that a show has changed. */
  public List<Habits.Fillers> ofShow(String show) {
    return db.select(FILLER_LIST.LANGUAGE, FILLER_LIST.SURE, FILLER_LIST.DOUBTFUL)
        .from(FILLER_LIST)
        .where(FILLER_LIST.SHOW_NAME.eq(show))
        .orderBy(FILLER_LIST.LANGUAGE)
        .fetch(
            r ->
                new Habits.Fillers(
                    r.value1(), new FillerList(lines(r.value2()), lines(r.value3()))));
  }

  @Transactional
  public void keep(String show, String language, FillerList list) {
    String sure = String.join("\n", list.sure());
    String doubtful = String.join("\n", list.doubtful());
    db.insertInto(FILLER_LIST)
        .set(FILLER_LIST.SHOW_NAME, show)
        .set(FILLER_LIST.LANGUAGE, language)
        .set(FILLER_LIST.SURE, sure)
        .set(FILLER_LIST.DOUBTFUL, doubtful)
        .onDuplicateKeyUpdate()
        .set(FILLER_LIST.SURE, sure)
        .set(FILLER_LIST.DOUBTFUL, doubtful)
        .execute();
  }

  private static List<String> lines(String text) {
    return Arrays.stream(text.split("\n")).filter(w -> !w.isBlank()).toList();
  }
}
