package paringknife.server.deliver;

import static paringknife.server.database.generated.Tables.CLIP;
import static paringknife.server.database.generated.Tables.RENDERING;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.KeptPieces;
import paringknife.core.formats.TimedText;
import paringknife.core.letter.Lettered;
import paringknife.core.proof.ProofWord;
import paringknife.server.database.Utc;
import paringknife.server.episodes.DataFolder;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * What was ordered of the renderer and what came of it: one row a cell of the delivery sheet. Every
 * order of a cell is a new attempt, and whoever works on an attempt changes the row only while it
 * is still the present one, so that a run that was overtaken or cancelled leaves no trace.
 */
@Repository
public class RenderingStore {
  private static final int LONGEST_PROBLEM = 1_900;

  private final DSLContext db;
  private final JsonMapper json;

  RenderingStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /** A cell's order: which row, and which of the times it was ordered. */
  public record Attempt(long id, int number) {}

  /**
   * One cell's rendering.
   *
   * @param attempt the present order
   * @param finishedAttempt the order that the finished file came of; null while there is none
   * @param finishedAs what the finished file's name ends in, without the dot
   * @param fingerprint of all that the present order is made from; the same means the same file
   * @param errors how often the present order has failed
   * @param ledBy the task that makes it beside its own; null where it has its own
   */
  public record Row(
      long id,
      long clipId,
      String spec,
      int attempt,
      @Nullable Integer finishedAttempt,
      String finishedAs,
      String fingerprint,
      RenderState state,
      double progress,
      @Nullable Instant startedAt,
      String fileName,
      long fileBytes,
      List<Check> checks,
      int errors,
      @Nullable String ledBy,
      @Nullable String problem) {
    Attempt present() {
      return new Attempt(id, attempt);
    }

    /** Whether it is being made beside another one. */
    boolean isLed() {
      return ledBy != null && state == RenderState.RENDERING;
    }

    /** What was measured of the finished file, as far as it is not let pass. */
    public List<Check> measuredFor(Delivered delivered) {
      return checks.stream().map(c -> c.waivedBy(delivered.waivedFor(spec))).toList();
    }

    /** The finished file; empty while there is none. */
    public Optional<Path> finishedIn(DataFolder data) {
      return Optional.ofNullable(finishedAttempt)
          .map(finished -> data.finished(clipId, spec, finished, finishedAs));
    }
  }

  public List<Row> all() {
    return ofClips(DSL.noCondition());
  }

  /** Those of clips in the bin too. */
  List<Row> ofAllClips() {
    return db.select(RENDERING.fields()).from(RENDERING).fetch(this::row);
  }

  public List<Row> ofEpisode(long episodeId) {
    return ofClips(CLIP.EPISODE_ID.eq(episodeId));
  }

  private List<Row> ofClips(Condition condition) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .join(CLIP)
        .on(CLIP.ID.eq(RENDERING.CLIP_ID))
        .where(condition.and(CLIP.BINNED_AT.isNull()))
        .orderBy(RENDERING.ID)
        .fetch(this::row);
  }

  public Optional<Row> byId(long id) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .where(RENDERING.ID.eq(id))
        .fetchOptional(this::row);
  }

  /** A finished file made from just this; empty when there is none. */
  Optional<Row> finishedAlike(String fingerprint, long otherThan) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .where(RENDERING.FINGERPRINT.eq(fingerprint))
        .and(RENDERING.ID.ne(otherThan))
        .and(RENDERING.STATE.eq(RenderState.DONE.name()))
        .limit(1)
        .fetchOptional(this::row);
  }

  /** The file of another order that was made from just this; empty when there is none. */
  Optional<Path> fileAlike(String fingerprint, long otherThan, DataFolder data) {
    return finishedAlike(fingerprint, otherThan)
        .flatMap(r -> r.finishedIn(data))
        .filter(Files::exists);
  }

  Row row(Record r) {
    String measured = r.get(RENDERING.MEASURED);
    return new Row(
        r.get(RENDERING.ID),
        r.get(RENDERING.CLIP_ID),
        r.get(RENDERING.SPEC),
        r.get(RENDERING.ATTEMPT),
        r.get(RENDERING.FINISHED_ATTEMPT),
        finishedAs(r),
        r.get(RENDERING.FINGERPRINT),
        RenderState.valueOf(r.get(RENDERING.STATE)),
        r.get(RENDERING.PROGRESS),
        Utc.instant(r.get(RENDERING.STARTED_AT)),
        r.get(RENDERING.FILE_NAME),
        r.get(RENDERING.FILE_BYTES),
        measured == null
            ? List.of()
            : json.readValue(measured, new TypeReference<List<Check>>() {}),
        r.get(RENDERING.ERRORS),
        r.get(RENDERING.LED_BY),
        r.get(RENDERING.PROBLEM));
  }

  /** Kept pieces packed before this was written down are ZIP files all the same. */
  private static String finishedAs(Record r) {
    boolean packed = KeptPieces.byId(r.get(RENDERING.SPEC)).map(KeptPieces::each).orElse(false);
    return packed ? KeptPieces.PACKED : r.get(RENDERING.FINISHED_AS);
  }

  /** Orders a cell anew. */
  @Transactional
  public Attempt order(long clipId, String spec, String fingerprint, String fileName) {
    db.insertInto(RENDERING)
        .set(RENDERING.CLIP_ID, clipId)
        .set(RENDERING.SPEC, spec)
        .set(RENDERING.FINGERPRINT, fingerprint)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .set(RENDERING.FILE_NAME, fileName)
        .set(RENDERING.ATTEMPT, 1)
        .onDuplicateKeyUpdate()
        .set(RENDERING.FINGERPRINT, fingerprint)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .set(RENDERING.PROGRESS, 0.0)
        .set(RENDERING.FILE_NAME, fileName)
        .set(RENDERING.ATTEMPT, RENDERING.ATTEMPT.plus(1))
        .set(RENDERING.ERRORS, 0)
        .setNull(RENDERING.PROBLEM)
        .setNull(RENDERING.MEASURED)
        .setNull(RENDERING.STARTED_AT)
        .setNull(RENDERING.LED_BY)
        .execute();
    return db.select(RENDERING.ID, RENDERING.ATTEMPT)
        .from(RENDERING)
        .where(RENDERING.CLIP_ID.eq(clipId).and(RENDERING.SPEC.eq(spec)))
        .fetchSingle(r -> new Attempt(r.value1(), r.value2()));
  }

  static Condition is(Attempt attempt) {
    return RENDERING
        .ID
        .eq(attempt.id())
        .and(RENDERING.ATTEMPT.eq(attempt.number()))
        .and(RENDERING.STATE.in(RenderState.UNDER_WAY));
  }

  /**
   * Tells how far an attempt is.
   *
   * @return whether it is still wanted
   */
  public boolean progress(Attempt attempt, double share) {
    return db.update(RENDERING).set(RENDERING.PROGRESS, share).where(is(attempt)).execute() == 1;
  }

  /**
   * Ends an attempt that went through.
   *
   * @param file what came of it
   * @param subtitles the captions of the file as it is, by language
   * @param words what is said in it, where that is shown; else none
   * @return whether it was still wanted
   */
  @Transactional
  public boolean finish(
      Attempt attempt,
      Path file,
      List<Check> checks,
      Map<String, List<TimedText>> subtitles,
      List<ProofWord> words) {
    String name = file.getFileName().toString();
    return db.update(RENDERING)
            .set(RENDERING.STATE, RenderState.DONE.name())
            .set(RENDERING.PROGRESS, 1.0)
            .set(RENDERING.FINISHED_AT, Utc.now())
            .set(RENDERING.FINISHED_ATTEMPT, attempt.number())
            .set(RENDERING.FINISHED_AS, name.substring(name.lastIndexOf('.') + 1))
            .set(RENDERING.FILE_BYTES, file.toFile().length())
            .set(RENDERING.MEASURED, json.writeValueAsString(checks))
            .set(RENDERING.SUBTITLES, json.writeValueAsString(subtitles))
            .set(RENDERING.WORDS, words.isEmpty() ? (String) null : json.writeValueAsString(words))
            .where(is(attempt))
            .execute()
        == 1;
  }

  /** What is said in a finished file, where that is shown. */
  List<ProofWord> words(long id) {
    return db.select(RENDERING.WORDS)
        .from(RENDERING)
        .where(RENDERING.ID.eq(id))
        .fetchOptional(RENDERING.WORDS)
        .map(text -> json.readValue(text, new TypeReference<List<ProofWord>>() {}))
        .orElse(List.of());
  }

  /** A cell's rendering; empty when it was never ordered. */
  Optional<Row> ofCell(long clipId, String spec) {
    return db.select(RENDERING.fields())
        .from(RENDERING)
        .where(RENDERING.CLIP_ID.eq(clipId).and(RENDERING.SPEC.eq(spec)))
        .fetchOptional(this::row);
  }

  /** The captions of a finished file as it is, by language. */
  public Map<String, List<TimedText>> subtitles(long id) {
    return db.select(RENDERING.SUBTITLES)
        .from(RENDERING)
        .where(RENDERING.ID.eq(id))
        .fetchOptional(RENDERING.SUBTITLES)
        .map(this::byLanguage)
        .orElse(Map.of());
  }

  /** Files of before there were languages have the captions of what is said alone. */
  private Map<String, List<TimedText>> byLanguage(String text) {
    if (text.startsWith("[")) {
      List<TimedText> spoken = json.readValue(text, new TypeReference<>() {});
      return spoken.isEmpty() ? Map.of() : Map.of(Lettered.SPOKEN, spoken);
    }
    return json.readValue(text, new TypeReference<TreeMap<String, List<TimedText>>>() {});
  }

  /** Ends an attempt that cannot go through. */
  public void fail(Attempt attempt, String problem) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.FAILED.name())
        .set(RENDERING.PROBLEM, problem.substring(0, Math.min(LONGEST_PROBLEM, problem.length())))
        .where(is(attempt))
        .execute();
  }

  /** Says why an attempt has to wait; that is no error of its own. */
  public void waits(Attempt attempt, String problem) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .setNull(RENDERING.LED_BY)
        .set(RENDERING.PROBLEM, problem.substring(0, Math.min(LONGEST_PROBLEM, problem.length())))
        .where(is(attempt))
        .execute();
  }

  /** Counts an error of an attempt, which then waits again; answers how many there have been. */
  @Transactional
  public int countError(Attempt attempt) {
    db.update(RENDERING)
        .set(RENDERING.ERRORS, RENDERING.ERRORS.plus(1))
        .set(RENDERING.STATE, RenderState.WAITING.name())
        .setNull(RENDERING.LED_BY)
        .where(is(attempt))
        .execute();
    return byId(attempt.id()).map(Row::errors).orElse(0);
  }

  /** Cancels what has not finished yet, or lets go of what failed. */
  public void cancel(long id) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.CANCELLED.name())
        .where(RENDERING.ID.eq(id))
        .and(
            RENDERING
                .STATE
                .in(RenderState.UNDER_WAY)
                .or(RENDERING.STATE.eq(RenderState.FAILED.name())))
        .execute();
  }

  /** Cancels all that is ordered of a clip. */
  public void cancelAllOf(long clipId) {
    db.update(RENDERING)
        .set(RENDERING.STATE, RenderState.CANCELLED.name())
        .where(RENDERING.CLIP_ID.eq(clipId))
        .and(RENDERING.STATE.in(RenderState.UNDER_WAY))
        .execute();
  }
}
