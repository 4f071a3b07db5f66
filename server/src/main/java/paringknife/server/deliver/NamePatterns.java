package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.NAME_PATTERN;

import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.deliver.NamePattern;

/** How the finished files of each show are named. */
@Repository
class NamePatterns {
  private final DSLContext db;

  NamePatterns(DSLContext db) {
    this.db = db;
  }

  NamePattern of(String show) {
    return db.select(NAME_PATTERN.PATTERN)
        .from(NAME_PATTERN)
        .where(NAME_PATTERN.SHOW_NAME.eq(show))
        .fetchOptional(r -> new NamePattern(r.value1()))
        .orElse(NamePattern.USUAL);
  }

  @Transactional
  public void keep(String show, NamePattern pattern) {
    db.insertInto(NAME_PATTERN)
        .set(NAME_PATTERN.SHOW_NAME, show)
        .set(NAME_PATTERN.PATTERN, pattern.text())
        .onDuplicateKeyUpdate()
        .set(NAME_PATTERN.PATTERN, pattern.text())
        .execute();
  }
}
