package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.TRANSCRIPT;
import static paringknife.server.database.generated.Tables.TRANSCRIPT_CHANGE;

import java.util.List;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import paringknife.core.transcript.Misfits;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptDelta;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.database.Recent;
import paringknife.server.database.StepLog;
import paringknife.server.web.Outdated;
import tools.jackson.databind.json.JsonMapper;

/** Transcripts in the database, with every correction as a step that can be undone. */
@Repository
public class TranscriptStore {
  private final DSLContext db;
  private final JsonMapper json;
  private final StepLog<Transcript, TranscriptDelta> steps;
  private final Recent<StoredTranscript> recent = new Recent<>(12);

  TranscriptStore(DSLContext db, JsonMapper json) {
    this.db = db;
    this.json = json;
    this.steps =
        new StepLog<>(
            db,
            new StepLog.Columns(
                TRANSCRIPT_CHANGE,
                TRANSCRIPT_CHANGE.EPISODE_ID,
                TRANSCRIPT_CHANGE.STEP,
                TRANSCRIPT_CHANGE.NAME,
                TRANSCRIPT_CHANGE.DELTA,
                TRANSCRIPT_CHANGE.MADE_AT,
                TRANSCRIPT_CHANGE.AUTHOR),
            new TranscriptFormat(json));
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

  /**
   * What was corrected last, newest first.
   *
   * @param applied how many steps are applied
   */
  public List<StepLog.StepTaken> lastSteps(long id, int applied, int most) {
    return steps.last(id, applied, most);
  }

  /** Puts a transcript in place of whatever was there; its steps go. */
  @Transactional
  public void replace(long id, Transcript transcript, TranscriptFile.Timing timing) {
    int revision = revision(id) + 1;
    String document = json.writeValueAsString(transcript);
    steps.forget(id);
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

  /**
   * Puts a transcript that has been timed in place of the one it was made of, unless that was
   * changed meanwhile. Where there are steps to undo, this is one more.
   *
   * @return whether it was done
   */
  @Transactional
  public boolean retime(StoredTranscript untimed, Transcript timed) {
    if (untimed.applied() > 0 || untimed.redo() != null) {
      return retimeAsStep(untimed, timed);
    }
    int done =
        db.update(TRANSCRIPT)
            .set(TRANSCRIPT.REVISION, untimed.revision() + 1)
            .set(TRANSCRIPT.DOCUMENT, json.writeValueAsString(timed))
            .set(TRANSCRIPT.TIMING, TranscriptFile.Timing.WORDS.name())
            .set(TRANSCRIPT.APPLIED, 0)
            .set(TRANSCRIPT.DOCUMENT_STEP, 0)
            .where(
                TRANSCRIPT
                    .EPISODE_ID
                    .eq(untimed.episodeId())
                    .and(TRANSCRIPT.REVISION.eq(untimed.revision())))
            .execute();
    if (done == 1) {
      steps.forget(untimed.episodeId());
    }
    return done == 1;
  }

  private boolean retimeAsStep(StoredTranscript untimed, Transcript timed) {
    if (revision(untimed.episodeId()) != untimed.revision()) {
      return false;
    }
    change(untimed, "time against the sound", timed);
    db.update(TRANSCRIPT)
        .set(TRANSCRIPT.TIMING, TranscriptFile.Timing.WORDS.name())
        .where(TRANSCRIPT.EPISODE_ID.eq(untimed.episodeId()))
        .execute();
    return true;
  }

  /** Writes down where text and sound do not say the same. */
  @Transactional
  public void noteMisfits(long id, Misfits misfits) {
    db.update(TRANSCRIPT)
        .set(TRANSCRIPT.MISFITS, json.writeValueAsString(misfits))
        .where(TRANSCRIPT.EPISODE_ID.eq(id))
        .execute();
  }

  /** Where text and sound did not say the same when the text was last timed. */
  public Misfits misfits(long id) {
    String noted =
        db.select(TRANSCRIPT.MISFITS)
            .from(TRANSCRIPT)
            .where(TRANSCRIPT.EPISODE_ID.eq(id))
            .fetchOne(TRANSCRIPT.MISFITS);
    return noted == null ? Misfits.NONE : json.readValue(noted, Misfits.class);
  }

  /** How often a transcript was changed; 0 when there is none. */
  public int revision(long id) {
    Integer revision =
        db.select(TRANSCRIPT.REVISION)
            .from(TRANSCRIPT)
            .where(TRANSCRIPT.EPISODE_ID.eq(id))
            .fetchOne(TRANSCRIPT.REVISION);
    return revision == null ? 0 : revision;
  }

  public Optional<StoredTranscript> of(long id) {
    StoredTranscript known = recent.get(id);
    int revision = revision(id);
    if (known != null && known.revision() == revision) {
      return Optional.of(known);
    }
    Optional<StoredTranscript> read =
        db.select(
                TRANSCRIPT.REVISION,
                TRANSCRIPT.APPLIED,
                TRANSCRIPT.DOCUMENT_STEP,
                TRANSCRIPT.TIMING,
                TRANSCRIPT.DOCUMENT)
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
                        steps.replayed(
                            id,
                            json.readValue(r.value5(), Transcript.class),
                            r.value3(),
                            r.value2()),
                        steps.name(id, r.value2()),
                        steps.name(id, r.value2() + 1)));
    read.ifPresent(r -> recent.put(id, r));
    return read;
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
    steps.append(seen.episodeId(), step, name, delta, seen.redo() != null);
    return new StoredTranscript(
        seen.episodeId(), seen.revision() + 1, step, written, seen.timing(), changed, name, null);
  }

  @Transactional
  public StoredTranscript undo(StoredTranscript seen) {
    return seen.applied() == 0 ? seen : moved(seen, seen.applied() - 1);
  }

  @Transactional
  public StoredTranscript redo(StoredTranscript seen) {
    return seen.redo() == null ? seen : moved(seen, seen.applied() + 1);
  }

  private StoredTranscript moved(StoredTranscript seen, int applied) {
    long id = seen.episodeId();
    Transcript transcript = steps.replayed(id, seen.transcript(), seen.applied(), applied);
    int written = save(seen, transcript, applied, false);
    return new StoredTranscript(
        id,
        seen.revision() + 1,
        applied,
        written,
        seen.timing(),
        transcript,
        steps.name(id, applied),
        steps.name(id, applied + 1));
  }

  private int save(StoredTranscript seen, Transcript transcript, int applied, boolean leaving) {
    boolean write = StepLog.writesWhole(applied, seen.written(), leaving);
    var update =
        db.update(TRANSCRIPT)
            .set(TRANSCRIPT.REVISION, seen.revision() + 1)
            .set(TRANSCRIPT.APPLIED, applied)
            .set(TRANSCRIPT.WORD_COUNT, transcript.words().size());
    if (write) {
      update =
          update
              .set(TRANSCRIPT.DOCUMENT, json.writeValueAsString(transcript))
              .set(TRANSCRIPT.DOCUMENT_STEP, applied);
    }
    int saved =
        update
            .where(
                TRANSCRIPT
                    .EPISODE_ID
                    .eq(seen.episodeId())
                    .and(TRANSCRIPT.REVISION.eq(seen.revision())))
            .execute();
    if (saved == 0) {
      throw new Outdated(
          "This transcript was changed in another window. That change is kept; the transcript is shown as it is now.");
    }
    return write ? applied : seen.written();
  }

  /** Keeps the newest state at hand; call it once the change is certain. */
  public void remember(StoredTranscript transcript) {
    recent.put(transcript.episodeId(), transcript);
  }
}
