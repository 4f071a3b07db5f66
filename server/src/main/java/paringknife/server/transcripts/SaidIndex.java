package paringknife.server.transcripts;

import java.io.Closeable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.lucene.analysis.standard.StandardAnalyzer;
import org.apache.lucene.document.Document;
import org.apache.lucene.document.Field;
import org.apache.lucene.document.LongField;
import org.apache.lucene.document.StoredField;
import org.apache.lucene.document.TextField;
import org.apache.lucene.index.DirectoryReader;
import org.apache.lucene.index.IndexWriter;
import org.apache.lucene.index.IndexWriterConfig;
import org.apache.lucene.index.StoredFields;
import org.apache.lucene.index.Term;
import org.apache.lucene.search.BooleanClause;
import org.apache.lucene.search.BooleanQuery;
import org.apache.lucene.search.PhraseQuery;
import org.apache.lucene.search.PrefixQuery;
import org.apache.lucene.search.Query;
import org.apache.lucene.search.ScoreDoc;
import org.apache.lucene.search.SearcherManager;
import org.apache.lucene.search.TermQuery;
import org.apache.lucene.store.FSDirectory;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;

/**
 * A Lucene index of sentences in a folder. It can be thrown away at any time: it knows which
 * revision of each transcript it holds, and what it lacks is put in again.
 */
final class SaidIndex implements Closeable {
  private static final int MOST = 60;
  private static final String SAID = "said";
  private static final String EPISODE = "episode";
  private static final String START = "start";
  private static final String SPEAKER = "speaker";

  private final IndexWriter writer;
  private final SearcherManager searchers;
  private final Map<Long, Integer> revisions = new TreeMap<>();
  private boolean changed;

  /** A sentence that was found. */
  record Sentence(long episodeId, long startUs, String speaker, String text) {}

  SaidIndex(Path folder) throws IOException {
    FSDirectory directory = FSDirectory.open(folder);
    if (DirectoryReader.indexExists(directory)) {
      try (DirectoryReader reader = DirectoryReader.open(directory)) {
        reader
            .getIndexCommit()
            .getUserData()
            .forEach(
                (id, revision) -> revisions.put(Long.parseLong(id), Integer.parseInt(revision)));
      }
    }
    this.writer = new IndexWriter(directory, new IndexWriterConfig(new StandardAnalyzer()));
    this.searchers = new SearcherManager(writer, null);
  }

  /** The revision of an episode's transcript that is indexed; -1 for none. */
  int revisionOf(long episodeId) {
    return revisions.getOrDefault(episodeId, -1);
  }

  void put(long episodeId, int revision, Transcript transcript) {
    try {
      writer.deleteDocuments(LongField.newExactQuery(EPISODE, episodeId));
      for (Passage sentence : Sentences.of(transcript)) {
        Document document = new Document();
        document.add(new LongField(EPISODE, episodeId, Field.Store.YES));
        document.add(new StoredField(START, transcript.words().get(sentence.from()).startUs()));
        document.add(new StoredField(SPEAKER, transcript.speakerName(sentence.speaker())));
        document.add(
            new TextField(
                SAID,
                transcript.text(sentence.from(), sentence.to()).replace('\u2019', '\''),
                Field.Store.YES));
        writer.addDocument(document);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    revisions.put(episodeId, revision);
    changed = true;
  }

  /** Takes all other episodes out. */
  void keepOnly(Set<Long> episodes) throws IOException {
    for (Long id : List.copyOf(revisions.keySet())) {
      if (!episodes.contains(id)) {
        writer.deleteDocuments(LongField.newExactQuery(EPISODE, id));
        revisions.remove(id);
        changed = true;
      }
    }
  }

  /** Writes what was put down, with the revisions it is of; from then on it is found. */
  void settle() throws IOException {
    if (changed) {
      Map<String, String> kept = new TreeMap<>();
      revisions.forEach((id, revision) -> kept.put(id.toString(), revision.toString()));
      writer.setLiveCommitData(kept.entrySet());
      writer.commit();
      searchers.maybeRefreshBlocking();
      changed = false;
    }
  }

  /**
   * Sentences with the words in a row, the best first; where there are none, those with all of
   * them.
   */
  List<Sentence> find(List<String> words) throws IOException {
    PhraseQuery.Builder inARow = new PhraseQuery.Builder();
    words.forEach(w -> inARow.add(new Term(SAID, w)));
    List<Sentence> found = matching(inARow.build());
    if (!found.isEmpty()) {
      return found;
    }
    BooleanQuery.Builder all = new BooleanQuery.Builder();
    for (int i = 0; i < words.size(); i++) {
      Term term = new Term(SAID, words.get(i));
      all.add(
          i == words.size() - 1 ? new PrefixQuery(term) : new TermQuery(term),
          BooleanClause.Occur.MUST);
    }
    return matching(all.build());
  }

  private List<Sentence> matching(Query query) throws IOException {
    var searcher = searchers.acquire();
    try {
      List<Sentence> found = new ArrayList<>();
      StoredFields stored = searcher.storedFields();
      for (ScoreDoc hit : searcher.search(query, MOST).scoreDocs) {
        Document document = stored.document(hit.doc);
        found.add(
            new Sentence(
                document.getField(EPISODE).numericValue().longValue(),
                document.getField(START).numericValue().longValue(),
                document.get(SPEAKER),
                document.get(SAID)));
      }
      return found;
    } finally {
      searchers.release(searcher);
    }
  }

  @Override
  public void close() throws IOException {
    searchers.close();
    writer.close();
    writer.getDirectory().close();
  }
}
