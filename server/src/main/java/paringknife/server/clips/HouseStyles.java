package paringknife.server.clips;

import static paringknife.server.database.generated.Tables.HOUSE_STYLE;
import static paringknife.server.database.generated.Tables.NAMED_STYLE;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record3;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.clip.Habits;
import paringknife.core.clip.HouseStyle;
import paringknife.core.clip.NamedStyle;
import paringknife.server.shows.ShowHabits;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** House styles by their names, and which of them each show has. */
@Repository
class HouseStyles {
  static final int MOST = 200;
  private static final String TAKEN = "There is a house style of this name already.";

  private final DSLContext db;
  private final JsonMapper json;
  private final ShowHabits habits;

  HouseStyles(DSLContext db, JsonMapper json, ShowHabits habits) {
    this.habits = habits;
    this.db = db;
    this.json = json;
  }

  /** Those that ship and one's own, by their names. */
  List<NamedStyle> all() {
    List<NamedStyle> all = new ArrayList<>(NamedStyle.SHIPPED);
    all.addAll(
        db.select(NAMED_STYLE.NAME, NAMED_STYLE.STYLE, NAMED_STYLE.HABITS)
            .from(NAMED_STYLE)
            .fetch(this::read));
    all.sort(Comparator.comparing(NamedStyle::name, String.CASE_INSENSITIVE_ORDER));
    return all;
  }

  private NamedStyle read(Record3<String, String, String> row) {
    String habits = row.value3();
    return new NamedStyle(
        row.value1(),
        json.readValue(row.value2(), HouseStyle.class),
        habits == null ? Habits.NONE : json.readValue(habits, Habits.class));
  }

  /**
   * The one of a name, whatever its capitals.
   *
   * @throws NotThere when there is none
   */
  NamedStyle byName(String name) {
    return find(name).orElseThrow(() -> new NotThere("There is no house style of this name."));
  }

  /** Whether no style has a name yet. */
  boolean isFree(String name) {
    return find(name).isEmpty();
  }

  private Optional<NamedStyle> find(String name) {
    Optional<NamedStyle> shipped = NamedStyle.shipped(name);
    return shipped.isPresent()
        ? shipped
        : db.select(NAMED_STYLE.NAME, NAMED_STYLE.STYLE, NAMED_STYLE.HABITS)
            .from(NAMED_STYLE)
            .where(NAMED_STYLE.NAME.eq(name.strip()))
            .fetchOptional(this::read);
  }

  /** The one that a show has. */
  Optional<NamedStyle> of(String show) {
    return db.select(HOUSE_STYLE.STYLE_NAME)
        .from(HOUSE_STYLE)
        .where(HOUSE_STYLE.SHOW_NAME.eq(show))
        .fetchOptional(HOUSE_STYLE.STYLE_NAME)
        .flatMap(this::find);
  }

  /** The shows that have each style, by its name. */
  Map<String, List<String>> shows() {
    return db.select(HOUSE_STYLE.STYLE_NAME, HOUSE_STYLE.SHOW_NAME)
        .from(HOUSE_STYLE)
        .orderBy(HOUSE_STYLE.SHOW_NAME)
        .fetchGroups(HOUSE_STYLE.STYLE_NAME, HOUSE_STYLE.SHOW_NAME);
  }

  /** Keeps a style under its name, in place of another one of one's own that has it. */
  @Transactional
  void keep(NamedStyle style) {
    refuseShipped(style.name(), "changed");
    if (find(style.name()).isEmpty() && db.fetchCount(NAMED_STYLE) >= MOST) {
      throw new IllegalArgumentException("There are " + MOST + " house styles already.");
    }
    String text = json.writeValueAsString(style.style());
    String habits = json.writeValueAsString(style.habits());
    db.insertInto(NAMED_STYLE)
        .set(NAMED_STYLE.NAME, style.name())
        .set(NAMED_STYLE.STYLE, text)
        .set(NAMED_STYLE.HABITS, habits)
        .onDuplicateKeyUpdate()
        .set(NAMED_STYLE.STYLE, text)
        .set(NAMED_STYLE.HABITS, habits)
        .execute();
  }

  /** Gives a show a style with what it brings along: clips made from now on have it. */
  @Transactional
  void give(String show, String name) {
    NamedStyle given = byName(name);
    String known = given.name();
    habits.give(show, given.habits());
    db.insertInto(HOUSE_STYLE)
        .set(HOUSE_STYLE.SHOW_NAME, show)
        .set(HOUSE_STYLE.STYLE_NAME, known)
        .onDuplicateKeyUpdate()
        .set(HOUSE_STYLE.STYLE_NAME, known)
        .execute();
  }

  /** The same once more, under another name. */
  @Transactional
  void copy(String name, String other) {
    NamedStyle copied = byName(name).called(other);
    if (!isFree(copied.name())) {
      throw new IllegalArgumentException(TAKEN);
    }
    keep(copied);
  }

  /** Another name; shows that have the style keep it. */
  @Transactional
  void rename(String name, String other) {
    refuseShipped(name, "renamed");
    NamedStyle renamed = byName(name).called(other);
    boolean isTaken =
        find(renamed.name()).filter(s -> !s.name().equalsIgnoreCase(name)).isPresent();
    if (isTaken) {
      throw new IllegalArgumentException(TAKEN);
    }
    db.update(NAMED_STYLE)
        .set(NAMED_STYLE.NAME, renamed.name())
        .where(NAMED_STYLE.NAME.eq(name))
        .execute();
    db.update(HOUSE_STYLE)
        .set(HOUSE_STYLE.STYLE_NAME, renamed.name())
        .where(HOUSE_STYLE.STYLE_NAME.eq(name))
        .execute();
  }

  /** Lets one of one's own go; shows that had it have none. Clips stay as they are. */
  @Transactional
  void remove(String name) {
    refuseShipped(name, "removed");
    db.deleteFrom(NAMED_STYLE).where(NAMED_STYLE.NAME.eq(name)).execute();
    db.deleteFrom(HOUSE_STYLE).where(HOUSE_STYLE.STYLE_NAME.eq(name)).execute();
  }

  private static void refuseShipped(String name, String done) {
    if (NamedStyle.shipped(name).isPresent()) {
      throw new IllegalArgumentException(
          "This house style ships with the program and cannot be "
              + done
              + "; keep it under another name.");
    }
  }
}
