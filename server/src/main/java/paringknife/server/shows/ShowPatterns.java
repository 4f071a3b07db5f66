package paringknife.server.shows;

import static paringknife.server.database.generated.Tables.NAME_PATTERN;
import static paringknife.server.database.generated.Tables.POST_PATTERN;

import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.TableField;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.deliver.NamePattern;
import paringknife.core.deliver.post.PostPattern;

/** The patterns of each show: how its finished files are named, and its texts proposed. */
@Repository
public class ShowPatterns {
  private final DSLContext db;

  ShowPatterns(DSLContext db) {
    this.db = db;
  }

  public NamePattern names(String show) {
    return kept(NAME_PATTERN.SHOW_NAME, NAME_PATTERN.PATTERN, show)
        .map(NamePattern::new)
        .orElse(NamePattern.USUAL);
  }

  public PostPattern posts(String show) {
    return kept(POST_PATTERN.SHOW_NAME, POST_PATTERN.PATTERN, show)
        .map(PostPattern::new)
        .orElse(PostPattern.USUAL);
  }

  @Transactional
  public void keep(String show, NamePattern pattern) {
    keep(NAME_PATTERN.SHOW_NAME, show, NAME_PATTERN.PATTERN, pattern.text());
  }

  @Transactional
  public void keep(String show, PostPattern pattern) {
    keep(POST_PATTERN.SHOW_NAME, show, POST_PATTERN.PATTERN, pattern.text());
  }

  private Optional<String> kept(
      TableField<?, String> shows, TableField<?, String> patterns, String show) {
    return db.select(patterns).from(shows.getTable()).where(shows.eq(show)).fetchOptional(patterns);
  }

  private void keep(
      TableField<?, String> shows, String show, TableField<?, String> patterns, String pattern) {
    db.insertInto(shows.getTable())
        .set(shows, show)
        .set(patterns, pattern)
        .onDuplicateKeyUpdate()
        .set(patterns, pattern)
        .execute();
  }
}
