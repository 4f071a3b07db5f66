package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.TRANSCRIPT;
import static paringknife.server.database.generated.Tables.TRANSCRIPT_CHANGE;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptDelta;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.web.Outdated;
import tools.jackson.databind.json.JsonMapper;

/** Transcripts in the database, with every correction as a step that can be undone. */
@Repository
public class TranscriptStore {
  private static final int STEPS_BETWEEN_DOCUMENTS = 64;

  private final DSLContext db;
  private final JsonMapper json;
  private final Map<Long, StoredTranscript> recent = new ConcurrentHashMap<>();

  TranscriptStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
  }

  /**
   * A transcript as it is stored.
   *
   * @param revision grows with every change, undo and redo
   * @param applied how many steps of the log are applied
   * @param written how many steps were applied when the document was last written whole
   * @param timing what of it was timed when it came
   * @param undo name of the step that undo takes back; null when there is none
   * @param redo name of the step that redo brings back; null when there is none
   */
  public record StoredTranscript(
      long episodeId,
      int revision,
      int applied,
      int written,
      TranscriptFile.Timing timing,
      Transcript transcript,
      @Nullable String undo,
      @Nullable String redo) {}

  /** Puts a transcript in place of whatever was there; its steps go. */
  @Transactional
  public void replace(long id, Transcript transcript, TranscriptFile.Timing timing) {
    int revision = revision(id) + 1;
    String document = json.writeValueAsString(transcript);
    db.deleteFrom(TRANSCRIPT_CHANGE).where(TRANSCRIPT_CHANGE.EPISODE_ID.eq(id)).execute();
    db.insertInto(TRANSCRIPT)
        .set(TRANSCRIPT.EPISODE_ID, id)
        .set(TRANSCRIPT.REVISION, revision)
        .set(TRANSCRIPT.WORD_COUNT, transcript.words().size())
        .set(TRANSCRIPT.DOCUMENT, document)
        .set(TRANSCRIPT.TIMING, timing.name())
        .onDuplicateKeyUpdate()
        .set(TRANSCRIPT.REVISION, revision)
        .set(TRANSCRIPT.WORD_COUNT, transcript.words().size())
        .set(TRANSCRIPT.DOCUMENT, document)
        .set(TRANSCRIPT.TIMING, timing.name())
        .set(TRANSCRIPT.APPLIED, 0)
        .set(TRANSCRIPT.DOCUMENT_STEP, 0)
        .execute();
  }

  /** How often a transcript was changed; 0 when there is none. */
  public int revision(long id) {
    Integer revision = db.select(TRANSCRIPT.REVISION).from(TRANSCRIPT).where(TRANSCRIPT.EPISODE_ID.eq(id)).fetchOne(TRANSCRIPT.REVISION);
    return revision == null ? 0 : revision;
  }

  public Optional<StoredTranscript> of(long id) {
    StoredTranscript known = recent.get(id);
    int revision = revision(id);
    if (known != null && known.revision() == revision) {
      return Optional.of(known);
    }
    Optional<StoredTranscript> read =
        db.select(TRANSCRIPT.REVISION, TRANSCRIPT.APPLIED, TRANSCRIPT.DOCUMENT_STEP, TRANSCRIPT.TIMING, TRANSCRIPT.DOCUMENT)
            .from(TRANSCRIPT)
            .where(TRANSCRIPT.EPISODE_ID.eq(id))
            .fetchOptional(
                r ->
                    new StoredTranscript(
                        id,
                        r.value1(),
                        r.value2(),
                        r.value3(),
                        TranscriptFile.Timing.valueOf(r.value4()),
                        replayed(id, json.readValue(r.value5(), Transcript.class), r.value3(), r.value2()),
                        name(id, r.value2()).orElse(null),
                        name(id, r.value2() + 1).orElse(null)));
    read.ifPresent(r -> recent.put(id, r));
    return read;
  }

  private Transcript replayed(long id, Transcript document, int from, int to) {
    Transcript now = document;
    for (int step = from + 1; step <= to; step++) {
      now = delta(id, step).forwards(now);
    }
    for (int step = from; step > to; step--) {
      now = delta(id, step).backwards(now);
    }
    return now;
  }

  private Optional<String> name(long id, int step) {
    return db.select(TRANSCRIPT_CHANGE.NAME)
        .from(TRANSCRIPT_CHANGE)
        .where(TRANSCRIPT_CHANGE.EPISODE_ID.eq(id).and(TRANSCRIPT_CHANGE.STEP.eq(step)))
        .fetchOptional(TRANSCRIPT_CHANGE.NAME);
  }

  private TranscriptDelta delta(long id, int step) {
    String text =
        db.select(TRANSCRIPT_CHANGE.DELTA)
            .from(TRANSCRIPT_CHANGE)
            .where(TRANSCRIPT_CHANGE.EPISODE_ID.eq(id).and(TRANSCRIPT_CHANGE.STEP.eq(step)))
            .fetchSingle()
            .value1();
    return json.readValue(text, TranscriptDelta.class);
  }

  /** Applies a change to the state the caller has seen. A change of nothing is not a step. */
  @Transactional
  public StoredTranscript change(StoredTranscript seen, String name, Transcript changed) {
    TranscriptDelta delta = TranscriptDelta.between(seen.transcript(), changed);
    if (delta.changesNothing()) {
      return seen;
    }
    int step = seen.applied() + 1;
    int written = save(seen, changed, step, seen.written() > seen.applied());
    if (seen.redo() != null) {
      db.deleteFrom(TRANSCRIPT_CHANGE)
          .where(TRANSCRIPT_CHANGE.EPISODE_ID.eq(seen.episodeId()).and(TRANSCRIPT_CHANGE.STEP.ge(step)))
          .execute();
    }
    db.insertInto(TRANSCRIPT_CHANGE)
        .set(TRANSCRIPT_CHANGE.EPISODE_ID, seen.episodeId())
        .set(TRANSCRIPT_CHANGE.STEP, step)
        .set(TRANSCRIPT_CHANGE.NAME, name)
        .set(TRANSCRIPT_CHANGE.DELTA, json.writeValueAsString(delta))
        .execute();
    return new StoredTranscript(seen.episodeId(), seen.revision() + 1, step, written, seen.timing(), changed, name, null);
  }

  @Transactional
  public StoredTranscript undo(StoredTranscript seen) {
    return seen.applied() == 0 ? seen : moved(seen, delta(seen.episodeId(), seen.applied()).backwards(seen.transcript()), seen.applied() - 1);
  }

  @Transactional
  public StoredTranscript redo(StoredTranscript seen) {
    return seen.redo() == null ? seen : moved(seen, delta(seen.episodeId(), seen.applied() + 1).forwards(seen.transcript()), seen.applied() + 1);
  }

  private StoredTranscript moved(StoredTranscript seen, Transcript transcript, int applied) {
    int written = save(seen, transcript, applied, false);
    return new StoredTranscript(
        seen.episodeId(),
        seen.revision() + 1,
        applied,
        written,
        seen.timing(),
        transcript,
        name(seen.episodeId(), applied).orElse(null),
        name(seen.episodeId(), applied + 1).orElse(null));
  }

  private int save(StoredTranscript seen, Transcript transcript, int applied, boolean whole) {
    boolean write = whole || Math.abs(applied - seen.written()) >= STEPS_BETWEEN_DOCUMENTS;
    var update =
        db.update(TRANSCRIPT)
            .set(TRANSCRIPT.REVISION, seen.revision() + 1)
            .set(TRANSCRIPT.APPLIED, applied)
            .set(TRANSCRIPT.WORD_COUNT, transcript.words().size());
    if (write) {
      update = update.set(TRANSCRIPT.DOCUMENT, json.writeValueAsString(transcript)).set(TRANSCRIPT.DOCUMENT_STEP, applied);
    }
    int saved = update.where(TRANSCRIPT.EPISODE_ID.eq(seen.episodeId()).and(TRANSCRIPT.REVISION.eq(seen.revision()))).execute();
    if (saved == 0) {
      throw new Outdated("This transcript was changed in another window. That change is kept; the transcript is shown as it is now.");
    }
    return write ? applied : seen.written();
  }

  /** Keeps the newest state at hand; call it once the change is certain. */
  void remember(StoredTranscript transcript) {
    recent.put(transcript.episodeId(), transcript);
  }
}
