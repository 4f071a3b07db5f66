package paringknife.server.shelf;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.GZIPOutputStream;
import org.springframework.stereotype.Component;
import paringknife.core.transcript.Paragraphs;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.database.Recent;
import paringknife.server.transcripts.TranscriptStore;
import tools.jackson.databind.json.JsonMapper;

/** Transcripts as they go to the browser, packed once for each revision. */
@Component
class TranscriptPages {
  private final JsonMapper json;
  private final Recent<Packed> packed = new Recent<>(24);

  /** JSON under gzip, and the revision it is of. */
  record Packed(int revision, byte[] gzip) {}

  TranscriptPages(JsonMapper json) {
    this.json = json;
  }

  Packed of(long episodeId, TranscriptStore.StoredTranscript stored) {
    return packed.getOrMake(
        episodeId, known -> known.revision() == stored.revision(), id -> pack(stored));
  }

  private Packed pack(TranscriptStore.StoredTranscript stored) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try (GZIPOutputStream gzip = new GZIPOutputStream(bytes, 1 << 14)) {
      json.writeValue(gzip, columns(stored));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return new Packed(stored.revision(), bytes.toByteArray());
  }

  private static EpisodeFilesController.TranscriptColumns columns(
      TranscriptStore.StoredTranscript stored) {
    Transcript transcript = stored.transcript();
    var words = transcript.words();
    return new EpisodeFilesController.TranscriptColumns(
        stored.revision(),
        stored.undo(),
        stored.redo(),
        stored.timing() == TranscriptFile.Timing.WORDS,
        transcript.language(),
        transcript.speakers(),
        words.stream().mapToLong(Word::id).toArray(),
        words.stream().map(Word::text).toList(),
        words.stream().mapToLong(Word::startUs).toArray(),
        words.stream().mapToLong(Word::endUs).toArray(),
        words.stream().mapToInt(Word::speaker).toArray(),
        words.stream().mapToDouble(Word::confidence).toArray(),
        Paragraphs.of(transcript),
        Sentences.of(transcript).stream().mapToInt(Passage::to).toArray());
  }
}
