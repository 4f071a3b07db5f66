package paringknife.server.outbox;

import static paringknife.server.database.generated.Tables.DESTINATION;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.outbox.Rules;
import paringknife.core.writing.OneLine;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** Where clips can be posted. */
@Repository
class DestinationStore {
  private static final int MOST = 50;
  private static final int LONGEST_NAME = 60;

  private final DSLContext db;
  private final JsonMapper json;

  DestinationStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /**
   * One of them.
   *
   * @param answers false while the stand-in pretends that it cannot be reached
   */
  record Destination(long id, String name, Rules rules, boolean answers) {}

  /** A destination as it is wanted. */
  record DestinationWanted(String name, Rules rules, boolean answers) {
    DestinationWanted {
      name = OneLine.of(name);
      if (name.isEmpty() || name.length() > LONGEST_NAME) {
        throw new IllegalArgumentException(
            "A destination needs a name of up to " + LONGEST_NAME + " characters.");
      }
    }
  }

  List<Destination> all() {
    return db.selectFrom(DESTINATION).orderBy(DESTINATION.NAME).fetch(this::destination);
  }

  /**
   * @throws NotThere when it was removed
   */
  Destination byId(long id) {
    return db.selectFrom(DESTINATION)
        .where(DESTINATION.ID.eq(id))
        .fetchOptional(this::destination)
        .orElseThrow(() -> new NotThere("This destination is not there any more."));
  }

  Optional<Destination> byName(String name) {
    return db.selectFrom(DESTINATION)
        .where(DESTINATION.NAME.eq(name))
        .fetchOptional(this::destination);
  }

  private Destination destination(Record r) {
    return new Destination(
        r.get(DESTINATION.ID),
        r.get(DESTINATION.NAME),
        json.readValue(r.get(DESTINATION.RULES), Rules.class),
        r.get(DESTINATION.ANSWERS));
  }

  @Transactional
  public Destination add(DestinationWanted wanted) {
    List<Destination> known = all();
    if (known.size() >= MOST) {
      throw new IllegalArgumentException("There are " + MOST + " destinations already.");
    }
    refuseTwice(known, wanted.name(), 0);
    db.insertInto(DESTINATION)
        .set(DESTINATION.NAME, wanted.name())
        .set(DESTINATION.RULES, json.writeValueAsString(wanted.rules()))
        .set(DESTINATION.ANSWERS, wanted.answers())
        .execute();
    return byName(wanted.name()).orElseThrow();
  }

  @Transactional
  public Destination change(long id, DestinationWanted wanted) {
    byId(id);
    refuseTwice(all(), wanted.name(), id);
    db.update(DESTINATION)
        .set(DESTINATION.NAME, wanted.name())
        .set(DESTINATION.RULES, json.writeValueAsString(wanted.rules()))
        .set(DESTINATION.ANSWERS, wanted.answers())
        .where(DESTINATION.ID.eq(id))
        .execute();
    return byId(id);
  }

  private static void refuseTwice(List<Destination> known, String name, long butFor) {
    if (known.stream().anyMatch(d -> d.id() != butFor && d.name().equalsIgnoreCase(name))) {
      throw new IllegalArgumentException("There is a destination of that name already.");
    }
  }

  void remove(long id) {
    db.deleteFrom(DESTINATION).where(DESTINATION.ID.eq(id)).execute();
  }
}
