package paringknife.server.database;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.Table;
import org.jooq.TableField;
import org.jspecify.annotations.Nullable;
import paringknife.core.steps.Delta;

/**
 * Named steps of documents in a table of their own, so that undo and redo survive everything. The
 * documents themselves are written whole now and then only; the steps lead from there to where they
 * are.
 *
 * @param <T> the document
 * @param <D> what a step holds
 */
public final class StepLog<T, D extends Delta<T>> {
  private static final int STEPS_BETWEEN_DOCUMENTS = 64;

  private final DSLContext db;
  private final Columns columns;
  private final StepFormat<T, D> format;

  /** The table of the steps. */
  public record Columns(
      Table<Record> table,
      TableField<Record, Long> owner,
      TableField<Record, Integer> step,
      TableField<Record, String> name,
      TableField<Record, String> delta,
      TableField<Record, LocalDateTime> madeAt,
      TableField<Record, String> author) {}

  public StepLog(DSLContext db, Columns columns, StepFormat<T, D> format) {
    this.db = db;
    this.columns = columns;
    this.format = format;
  }

  /** What a step was called; null when there is no such step. */
  public @Nullable String name(long owner, int step) {
    return at(owner, step, columns.name()).orElse(null);
  }

  private Optional<String> at(long owner, int step, TableField<Record, String> column) {
    return db.select(column)
        .from(columns.table())
        .where(columns.owner().eq(owner).and(columns.step().eq(step)))
        .fetchOptional(column);
  }

  private D delta(long owner, int step) {
    return format.delta(at(owner, step, columns.delta()).orElseThrow());
  }

  /** A document as it is after {@code from} steps, brought to where it is after {@code to}. */
  public T replayed(long owner, T document, int from, int to) {
    T now = document;
    for (int step = from + 1; step <= to; step++) {
      now = delta(owner, step).forwards(now);
    }
    for (int step = from; step > to; step--) {
      now = delta(owner, step).backwards(now);
    }
    return now;
  }

  /** Adds a step; what could have been redone from here is gone. */
  public void append(long owner, int step, String name, D delta, boolean redoable) {
    if (redoable) {
      db.deleteFrom(columns.table())
          .where(columns.owner().eq(owner).and(columns.step().ge(step)))
          .execute();
    }
    db.insertInto(columns.table())
        .set(columns.owner(), owner)
        .set(columns.step(), step)
        .set(columns.name(), name)
        .set(columns.delta(), format.writeDelta(delta))
        .set(columns.author(), Author.name())
        .execute();
  }

  /**
   * A step as it is told.
   *
   * @param name what undo calls it
   * @param author null where it was taken at this machine
   */
  public record StepTaken(int step, String name, Instant at, @Nullable String author) {}

  /**
   * The last steps, newest first.
   *
   * @param applied how many steps are applied; what was taken back is not told
   */
  public List<StepTaken> last(long owner, int applied, int most) {
    return db.select(columns.step(), columns.name(), columns.madeAt(), columns.author())
        .from(columns.table())
        .where(columns.owner().eq(owner).and(columns.step().le(applied)))
        .orderBy(columns.step().desc())
        .limit(most)
        .fetch(
            r ->
                new StepTaken(
                    r.value1(),
                    r.value2(),
                    Objects.requireNonNull(Utc.instant(r.value3())),
                    r.value4()));
  }

  public void forget(long owner) {
    db.deleteFrom(columns.table()).where(columns.owner().eq(owner)).execute();
  }

  /**
   * Whether a document has to be written whole when it comes to {@code applied} steps.
   *
   * @param written how many steps were applied when it was last written
   * @param leaving whether it is at a state before that, and the steps between are about to go
   */
  public static boolean writesWhole(int applied, int written, boolean leaving) {
    return leaving || Math.abs(applied - written) >= STEPS_BETWEEN_DOCUMENTS;
  }
}
