package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.GLOSSARY;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptEditor;

/** Spellings and names a show prefers: what is heard, and how it is written. */
@Repository
public class Glossary {
  private static final int TIMES_TO_PROPOSE = 2;

  private final DSLContext db;

  Glossary(DSLContext db) {
    this.db = db;
  }

  /** A spelling; one that is not accepted is only proposed. */
  public record Entry(String heard, String written, int times, boolean accepted) {}

  /** Accepted spellings, and those corrected alike at least twice. */
  public List<Entry> of(String show) {
    return db.selectFrom(GLOSSARY)
        .where(
            GLOSSARY
                .SHOW_NAME
                .eq(show)
                .and(GLOSSARY.ACCEPTED.isTrue().or(GLOSSARY.TIMES.ge(TIMES_TO_PROPOSE))))
        .orderBy(GLOSSARY.HEARD)
        .fetch(
            r ->
                new Entry(
                    r.get(GLOSSARY.HEARD),
                    r.get(GLOSSARY.WRITTEN),
                    r.get(GLOSSARY.TIMES),
                    r.get(GLOSSARY.ACCEPTED)));
  }

  /** Counts a correction. */
  @Transactional
  public void corrected(String show, String heard, String written) {
    String key = bare(heard);
    if (key.isEmpty()
        || key.length() > 200
        || written.length() > 200
        || key.equals(bare(written))) {
      return;
    }
    db.insertInto(GLOSSARY)
        .set(GLOSSARY.SHOW_NAME, show)
        .set(GLOSSARY.HEARD, key)
        .set(GLOSSARY.WRITTEN, unmarked(written))
        .set(GLOSSARY.TIMES, 1)
        .set(GLOSSARY.ACCEPTED, false)
        .onDuplicateKeyUpdate()
        .set(GLOSSARY.TIMES, GLOSSARY.TIMES.plus(1))
        .execute();
  }

  @Transactional
  public void accept(String show, String heard, String written) {
    if (bare(heard).isEmpty() || unmarked(written).isEmpty()) {
      throw new IllegalArgumentException("A spelling needs what is heard and how it is written.");
    }
    db.insertInto(GLOSSARY)
        .set(GLOSSARY.SHOW_NAME, show)
        .set(GLOSSARY.HEARD, bare(heard))
        .set(GLOSSARY.WRITTEN, unmarked(written))
        .set(GLOSSARY.TIMES, 0)
        .set(GLOSSARY.ACCEPTED, true)
        .onDuplicateKeyUpdate()
        .set(GLOSSARY.ACCEPTED, true)
        .execute();
  }

  @Transactional
  public void remove(String show, String heard, String written) {
    db.deleteFrom(GLOSSARY)
        .where(
            GLOSSARY
                .SHOW_NAME
                .eq(show)
                .and(GLOSSARY.HEARD.eq(heard))
                .and(GLOSSARY.WRITTEN.eq(written)))
        .execute();
  }

  /** The transcript with the show's accepted spellings. */
  public Transcript apply(String show, Transcript transcript) {
    Transcript spelt = transcript;
    for (Entry entry : of(show)) {
      if (entry.accepted()) {
        spelt = new TranscriptEditor(spelt).replaceAll(entry.heard(), entry.written(), Set.of());
      }
    }
    return spelt;
  }

  private static String bare(String text) {
    return text.toLowerCase(Locale.ROOT)
        .replaceAll("[^\\p{L}\\p{N}' ]", " ")
        .strip()
        .replaceAll("\\s+", " ");
  }

  private static String unmarked(String text) {
    return text.strip().replaceAll("[.,;:?!]+$", "");
  }
}
