package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.PLANNED_CLIP;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.server.clips.ClipStore;
import paringknife.server.secrets.Token;
import paringknife.server.shelf.Episodes;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Plans of clips in the database, each with the state that it is of: the clip, all that it depends
 * on besides, and the program that worked it out.
 */
@Repository
class PlanStore {
  private final DSLContext db;
  private final JsonMapper json;
  private volatile @Nullable Written written;

  /** What names specs, which are the same as long as they are the same object. */
  private record Written(DeliverySpecs specs, String digest) {}

  /** A plan as it is kept; specs by their ids. */
  private record Kept(long lengthUs, List<KeptCell> cells, String proof) {}

  private record KeptCell(String spec, List<Check> checks, String fingerprint) {}

  PlanStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /** Names the state that a plan is of. */
  private String state(ClipStore.StoredClip clip, Episodes.Standing standing) {
    return Token.kept(
        String.join(
            "\n",
            ProgramEdition.name(),
            Integer.toString(clip.revision()),
            Integer.toString(standing.transcript()),
            Long.toString(standing.people()),
            Long.toString(standing.soundMadeAt()),
            digest(standing.specs())));
  }

  private String digest(DeliverySpecs specs) {
    Written known = written;
    if (known == null || known.specs() != specs) {
      known = new Written(specs, Token.kept(json.writeValueAsString(specs.all())));
      written = known;
    }
    return known.digest();
  }

  /** The plans of clips as they are now, in one query; without those never worked out. */
  Map<Long, PlannedCells.Clip> of(List<ClipStore.StoredClip> clips, Episodes.Standing standing) {
    Map<Long, String> states = new HashMap<>();
    clips.forEach(c -> states.put(c.id(), state(c, standing)));
    Map<Long, PlannedCells.Clip> plans = new ConcurrentHashMap<>();
    db
        .select(PLANNED_CLIP.CLIP_ID, PLANNED_CLIP.STATE, PLANNED_CLIP.PLAN)
        .from(PLANNED_CLIP)
        .where(PLANNED_CLIP.CLIP_ID.in(states.keySet()))
        .fetch()
        .parallelStream()
        .filter(r -> r.value2().equals(states.get(r.value1())))
        .forEach(r -> read(r.value3(), standing.specs()).ifPresent(p -> plans.put(r.value1(), p)));
    return plans;
  }

  private Optional<PlannedCells.Clip> read(String text, DeliverySpecs specs) {
    try {
      Kept kept = json.readValue(text, Kept.class);
      List<PlannedCells.Cell> cells =
          kept.cells().stream()
              .map(c -> new PlannedCells.Cell(specs.byId(c.spec()), c.checks(), c.fingerprint()))
              .toList();
      return Optional.of(new PlannedCells.Clip(kept.lengthUs(), cells, kept.proof()));
    } catch (JacksonException | IllegalArgumentException e) {
      // What cannot be read is worked out again.
      return Optional.empty();
    }
  }

  void keep(ClipStore.StoredClip clip, Episodes.Standing standing, PlannedCells.Clip plan) {
    Kept kept =
        new Kept(
            plan.lengthUs(),
            plan.cells().stream()
                .map(c -> new KeptCell(c.spec().id(), c.checks(), c.fingerprint()))
                .toList(),
            plan.proof());
    String state = state(clip, standing);
    String text = json.writeValueAsString(kept);
    db.insertInto(PLANNED_CLIP)
        .set(PLANNED_CLIP.CLIP_ID, clip.id())
        .set(PLANNED_CLIP.STATE, state)
        .set(PLANNED_CLIP.PLAN, text)
        .onDuplicateKeyUpdate()
        .set(PLANNED_CLIP.STATE, state)
        .set(PLANNED_CLIP.PLAN, text)
        .execute();
  }
}
