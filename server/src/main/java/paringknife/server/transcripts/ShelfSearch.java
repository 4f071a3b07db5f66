package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.SENTENCE_SAID;
import static paringknife.server.database.generated.Tables.TRANSCRIPT;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.support.TransactionTemplate;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;

/** Finds a phrase in everything ever said on the shelf, through MariaDB's full-text index. */
@Repository
public class ShelfSearch {
  private static final int MOST = 60;
  private static final int BATCH = 500;

  private final DSLContext db;
  private final TransactionTemplate transactions;
  private final TranscriptStore transcripts;

  ShelfSearch(DSLContext db, TransactionTemplate transactions, TranscriptStore transcripts) {
    this.db = db;
    this.transactions = transactions;
    this.transcripts = transcripts;
  }

  /** A sentence in which the phrase is said. */
  public record Said(long episodeId, String show, String title, long startUs, String speaker, String sentence) {}

  /** The best matches first; transcripts changed since are indexed before. */
  public List<Said> find(String phrase) {
    String words =
        Arrays.stream(phrase.split("[^\\p{L}\\p{N}']+")).filter(w -> w.length() > 1).collect(Collectors.joining(" "));
    if (words.isEmpty()) {
      return List.of();
    }
    indexChanged();
    String exact = '"' + words + '"';
    String every = Arrays.stream(words.split(" ")).map(w -> "+" + w.replace("'", "") + "*").collect(Collectors.joining(" "));
    List<Said> found = matching(exact);
    return found.isEmpty() ? matching(every) : found;
  }

  private List<Said> matching(String expression) {
    Condition matches = DSL.condition("match ({0}) against ({1} in boolean mode)", SENTENCE_SAID.SAID, DSL.val(expression));
    return db.select(SENTENCE_SAID.EPISODE_ID, EPISODE.SHOW_NAME, EPISODE.TITLE, SENTENCE_SAID.START_US, SENTENCE_SAID.SPEAKER, SENTENCE_SAID.SAID)
        .from(SENTENCE_SAID)
        .join(EPISODE)
        .on(EPISODE.ID.eq(SENTENCE_SAID.EPISODE_ID))
        .where(matches)
        .limit(MOST)
        .fetch(r -> new Said(r.value1(), r.value2(), r.value3(), r.value4(), r.value5(), r.value6()));
  }

  private void indexChanged() {
    for (Long id :
        db.select(TRANSCRIPT.EPISODE_ID).from(TRANSCRIPT).where(TRANSCRIPT.INDEXED_REVISION.ne(TRANSCRIPT.REVISION)).fetch(TRANSCRIPT.EPISODE_ID)) {
      // Full text finds only what has been committed.
      transcripts.of(id).ifPresent(stored -> transactions.executeWithoutResult(status -> index(stored)));
    }
  }

  private void index(TranscriptStore.StoredTranscript stored) {
    db.deleteFrom(SENTENCE_SAID).where(SENTENCE_SAID.EPISODE_ID.eq(stored.episodeId())).execute();
    Transcript transcript = stored.transcript();
    List<Passage> sentences = Sentences.of(transcript);
    for (int from = 0; from < sentences.size(); from += BATCH) {
      var insert =
          db.insertInto(SENTENCE_SAID, SENTENCE_SAID.EPISODE_ID, SENTENCE_SAID.START_US, SENTENCE_SAID.SPEAKER, SENTENCE_SAID.SAID);
      for (Passage sentence : sentences.subList(from, Math.min(sentences.size(), from + BATCH))) {
        insert =
            insert.values(
                stored.episodeId(),
                transcript.words().get(sentence.from()).startUs(),
                transcript.speakerName(sentence.speaker()),
                transcript.text(sentence.from(), sentence.to()));
      }
      insert.execute();
    }
    db.update(TRANSCRIPT).set(TRANSCRIPT.INDEXED_REVISION, stored.revision()).where(TRANSCRIPT.EPISODE_ID.eq(stored.episodeId())).execute();
  }
}
