package paringknife.server.specs;

import static paringknife.server.database.generated.Tables.DELIVERY_SPEC;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.FileNames;
import paringknife.core.proof.ProofCopy;
import paringknife.server.web.NotThere;
import tools.jackson.databind.json.JsonMapper;

/** The user's own delivery specs, beside those that ship. */
@Repository
public class SpecStore {
  private final DSLContext db;
  private final JsonMapper json;
  private volatile Read read = new Read(List.of(), DeliverySpecs.SHIPPED);

  /** The specs as they were last read, and the rows that they were read from. */
  private record Read(List<String> rows, DeliverySpecs specs) {}

  SpecStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /** All specs: the same object as long as nothing changes, whoever changes it. */
  public DeliverySpecs all() {
    List<String> rows =
        db.select(DELIVERY_SPEC.SPEC)
            .from(DELIVERY_SPEC)
            .orderBy(DELIVERY_SPEC.MADE_AT, DELIVERY_SPEC.ID)
            .fetch(DELIVERY_SPEC.SPEC);
    Read known = read;
    if (known.rows().equals(rows)) {
      return known.specs();
    }
    List<DeliverySpec> own =
        rows.stream().map(row -> json.readValue(row, DeliverySpec.class)).toList();
    Read now = new Read(List.copyOf(rows), DeliverySpecs.SHIPPED.and(own));
    read = now;
    return now.specs();
  }

  private static boolean isShipped(String id) {
    return DeliverySpecs.SHIPPED.find(id).isPresent();
  }

  /** Keeps a new spec, under an id made of its name, and another name where that is taken. */
  @Transactional
  public DeliverySpec add(DeliverySpec asked) {
    DeliverySpecs known = all();
    if (known.all().size() - DeliverySpecs.SHIPPED.all().size() >= SpecFile.MOST) {
      throw new IllegalArgumentException("There are " + SpecFile.MOST + " specs already.");
    }
    FileNames ids = new FileNames();
    ids.unique(ProofCopy.ID);
    known.all().forEach(s -> ids.unique(s.id()));
    DeliverySpec made = asked.named(ids.unique(FileNames.part(asked.name())), asked.name());
    db.insertInto(DELIVERY_SPEC)
        .set(DELIVERY_SPEC.ID, made.id())
        .set(DELIVERY_SPEC.SPEC, json.writeValueAsString(made))
        .execute();
    return made;
  }

  /**
   * Changes one of one's own; those that ship stay as they are.
   *
   * @throws NotThere when there is none
   */
  @Transactional
  public DeliverySpec change(String id, DeliverySpec asked) {
    refuseShipped(id, "changed");
    DeliverySpec changed = asked.named(id, asked.name());
    int rows =
        db.update(DELIVERY_SPEC)
            .set(DELIVERY_SPEC.SPEC, json.writeValueAsString(changed))
            .where(DELIVERY_SPEC.ID.eq(id))
            .execute();
    if (rows == 0 && all().find(id).isEmpty()) {
      throw new NotThere("This spec is not there any more.");
    }
    return changed;
  }

  /** Lets one of one's own go; clips that ask for it ask for it no more. */
  @Transactional
  public void remove(String id) {
    refuseShipped(id, "removed");
    db.deleteFrom(DELIVERY_SPEC).where(DELIVERY_SPEC.ID.eq(id)).execute();
  }

  private static void refuseShipped(String id, String done) {
    if (isShipped(id)) {
      throw new IllegalArgumentException(
          "This spec ships with the program and cannot be " + done + "; copy it.");
    }
  }

  /** Takes in specs of a file; those that are there just so already are not taken twice. */
  @Transactional
  public List<DeliverySpec> takeIn(SpecFile file) {
    return takenIn(file.specs());
  }

  /** As they are called here; those that are there just so already are not taken twice. */
  @Transactional
  public List<DeliverySpec> takenIn(List<DeliverySpec> given) {
    return given.stream().map(this::takenIn).toList();
  }

  private DeliverySpec takenIn(DeliverySpec spec) {
    Optional<DeliverySpec> same =
        all().all().stream().filter(s -> spec.named(s.id(), spec.name()).equals(s)).findFirst();
    return same.orElseGet(() -> add(spec));
  }
}
