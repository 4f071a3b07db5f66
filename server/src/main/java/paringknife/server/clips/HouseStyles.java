package paringknife.server.clips;

import static paringknife.server.database.generated.Tables.HOUSE_STYLE;

import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.HouseStyle;
import tools.jackson.databind.json.JsonMapper;

/** The style that a show's clips have. */
@Repository
class HouseStyles {
  private final DSLContext db;
  private final JsonMapper json;

  HouseStyles(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  Optional<HouseStyle> of(String show) {
    return db.select(HOUSE_STYLE.STYLE)
        .from(HOUSE_STYLE)
        .where(HOUSE_STYLE.SHOW_NAME.eq(show))
        .fetchOptional(r -> json.readValue(r.value1(), HouseStyle.class));
  }

  @Transactional
  void keep(String show, HouseStyle style) {
    String text = json.writeValueAsString(style);
    db.insertInto(HOUSE_STYLE)
        .set(HOUSE_STYLE.SHOW_NAME, show)
        .set(HOUSE_STYLE.STYLE, text)
        .onDuplicateKeyUpdate()
        .set(HOUSE_STYLE.STYLE, text)
        .execute();
  }
}
