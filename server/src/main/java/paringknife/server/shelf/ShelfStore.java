package paringknife.server.shelf;

import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.SHELF;

import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.server.web.NotThere;

/** Shelves, which nest, and what stands on them. */
@Repository
public class ShelfStore {
  private final DSLContext db;

  ShelfStore(DSLContext db) {
    this.db = db;
  }

  /** A shelf; the parent is null for one that stands by itself. */
  public record Shelf(long id, @Nullable Long parentId, String name) {}

  public List<Shelf> all() {
    return db.selectFrom(SHELF)
        .orderBy(SHELF.NAME, SHELF.ID)
        .fetch(r -> new Shelf(r.get(SHELF.ID), r.get(SHELF.PARENT_ID), r.get(SHELF.NAME)));
  }

  /**
   * What a shelf is called.
   *
   * @throws NotThere when there is no such shelf
   */
  public String name(long id) {
    return all().stream()
        .filter(s -> s.id() == id)
        .findFirst()
        .map(Shelf::name)
        .orElseThrow(() -> new NotThere("This shelf is not there any more."));
  }

  /**
   * A shelf and all that stand on it, and on those.
   *
   * @throws NotThere when there is no such shelf
   */
  public Set<Long> within(long id) {
    List<Shelf> all = all();
    if (all.stream().noneMatch(s -> s.id() == id)) {
      throw new NotThere("This shelf is not there any more.");
    }
    Set<Long> within = new HashSet<>(Set.of(id));
    boolean grows = true;
    while (grows) {
      grows = false;
      for (Shelf shelf : all) {
        grows |= within.contains(shelf.parentId()) && within.add(shelf.id());
      }
    }
    return within;
  }

  @Transactional
  public long add(String name, @Nullable Long parentId) {
    return db.insertInto(SHELF)
        .set(SHELF.NAME, named(name))
        .set(SHELF.PARENT_ID, parentId)
        .returningResult(SHELF.ID)
        .fetchSingle()
        .value1();
  }

  /** Renames a shelf and puts it into another one, or by itself; not into one of its own. */
  @Transactional
  public void change(long id, String name, @Nullable Long parentId) {
    for (Long above = parentId; above != null; above = parentOf(above)) {
      if (above == id) {
        throw new IllegalArgumentException("A shelf cannot be put into itself.");
      }
    }
    if (db.update(SHELF)
            .set(SHELF.NAME, named(name))
            .set(SHELF.PARENT_ID, parentId)
            .where(SHELF.ID.eq(id))
            .execute()
        == 0) {
      throw new NotThere("This shelf is not there any more.");
    }
  }

  private @Nullable Long parentOf(long id) {
    return db.select(SHELF.PARENT_ID).from(SHELF).where(SHELF.ID.eq(id)).fetchOne(SHELF.PARENT_ID);
  }

  private static String named(String name) {
    String clean = name.strip().replaceAll("\\s+", " ");
    if (clean.isEmpty()) {
      throw new IllegalArgumentException("A shelf needs a name.");
    }
    return clean.substring(0, Math.min(120, clean.length()));
  }

  /** Takes a shelf away; what stood on it moves to the one above. */
  @Transactional
  public void remove(long id) {
    Long parent = parentOf(id);
    db.update(SHELF).set(SHELF.PARENT_ID, parent).where(SHELF.PARENT_ID.eq(id)).execute();
    db.update(EPISODE).set(EPISODE.SHELF_ID, parent).where(EPISODE.SHELF_ID.eq(id)).execute();
    db.deleteFrom(SHELF).where(SHELF.ID.eq(id)).execute();
  }

  @Transactional
  public void describe(long episodeId, String show, String title, @Nullable Long shelfId) {
    if (title.isBlank()) {
      throw new IllegalArgumentException("An episode needs a title.");
    }
    db.update(EPISODE)
        .set(EPISODE.SHOW_NAME, show.strip())
        .set(EPISODE.TITLE, title.strip())
        .set(EPISODE.SHELF_ID, shelfId)
        .where(EPISODE.ID.eq(episodeId))
        .execute();
  }

  public void bin(long episodeId) {
    db.update(EPISODE)
        .set(EPISODE.BINNED_AT, LocalDateTime.now(ZoneOffset.UTC))
        .where(EPISODE.ID.eq(episodeId))
        .execute();
  }

  public void takeFromBin(long episodeId) {
    db.update(EPISODE).setNull(EPISODE.BINNED_AT).where(EPISODE.ID.eq(episodeId)).execute();
  }

  /** Episodes that have been in the bin since before a time. */
  public List<Long> binnedBefore(LocalDateTime time) {
    return db.select(EPISODE.ID).from(EPISODE).where(EPISODE.BINNED_AT.lt(time)).fetch(EPISODE.ID);
  }

  @Transactional
  public void forget(long episodeId) {
    db.deleteFrom(EPISODE).where(EPISODE.ID.eq(episodeId)).execute();
  }
}
