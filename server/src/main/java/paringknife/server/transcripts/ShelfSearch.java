package paringknife.server.transcripts;

import static paringknife.server.database.generated.Tables.EPISODE;
import static paringknife.server.database.generated.Tables.TRANSCRIPT;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import paringknife.server.episodes.DataFolder;

/**
 * Finds a phrase in everything ever said on the shelf. What is found is indexed when it is asked
 * for.
 */
@Repository
public class ShelfSearch {
  private final DSLContext db;
  private final TranscriptStore transcripts;
  private final DataFolder data;
  private @Nullable SaidIndex index;

  ShelfSearch(DSLContext db, TranscriptStore transcripts, DataFolder data) {
    this.db = db;
    this.transcripts = transcripts;
    this.data = data;
  }

  /** A sentence in which the phrase is said. */
  public record Said(
      long episodeId, String show, String title, long startUs, String speaker, String sentence) {}

  private record Known(String show, String title, int revision) {}

  /**
   * The best matches first: the phrase as it is; where nobody says it, sentences with all its
   * words.
   */
  public List<Said> find(String phrase) throws IOException {
    List<String> words =
        Arrays.stream(
                phrase.toLowerCase(Locale.ROOT).replace('\u2019', '\'').split("[^\\p{L}\\p{N}']+"))
            .filter(w -> !w.isEmpty())
            .toList();
    if (words.isEmpty()) {
      return List.of();
    }
    Map<Long, Known> episodes =
        db.select(EPISODE.ID, EPISODE.SHOW_NAME, EPISODE.TITLE, TRANSCRIPT.REVISION)
            .from(EPISODE)
            .join(TRANSCRIPT)
            .on(TRANSCRIPT.EPISODE_ID.eq(EPISODE.ID))
            .where(EPISODE.BINNED_AT.isNull())
            .fetchMap(EPISODE.ID, r -> new Known(r.value2(), r.value3(), r.value4()));
    List<Said> found = new ArrayList<>();
    for (SaidIndex.Sentence said : fresh(episodes).find(words)) {
      Known episode = episodes.get(said.episodeId());
      if (episode != null) {
        found.add(
            new Said(
                said.episodeId(),
                episode.show(),
                episode.title(),
                said.startUs(),
                said.speaker(),
                said.text()));
      }
    }
    return found;
  }

  /** The index with what was changed, added and taken away since. */
  private synchronized SaidIndex fresh(Map<Long, Known> episodes) throws IOException {
    SaidIndex open = index;
    if (open == null) {
      open = new SaidIndex(data.root().resolve("search"));
      index = open;
    }
    open.keepOnly(episodes.keySet());
    for (Map.Entry<Long, Known> episode : episodes.entrySet()) {
      if (open.revisionOf(episode.getKey()) != episode.getValue().revision()) {
        TranscriptStore.StoredTranscript stored = transcripts.of(episode.getKey()).orElseThrow();
        open.put(stored.episodeId(), stored.revision(), stored.transcript());
      }
    }
    open.settle();
    return open;
  }

  @jakarta.annotation.PreDestroy
  synchronized void close() throws IOException {
    if (index != null) {
      index.close();
      index = null;
    }
  }
}
