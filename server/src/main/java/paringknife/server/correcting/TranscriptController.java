package paringknife.server.correcting;

import io.swagger.v3.oas.annotations.media.Schema;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.transcript.DoubtfulWord;
import paringknife.core.transcript.DoubtfulWords;
import paringknife.core.transcript.Misfits;
import paringknife.core.transcript.Paragraphs;
import paringknife.core.transcript.Passage;
import paringknife.core.transcript.Sentences;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.TranscriptDelta;
import paringknife.core.transcript.Word;
import paringknife.media.speech.Recogniser;
import paringknife.media.transcripts.TranscriptFile;
import paringknife.server.database.StepLog;
import paringknife.server.events.Events;
import paringknife.server.shelf.Episodes;
import paringknife.server.shelf.WordsWork;
import paringknife.server.transcripts.Glossary;
import paringknife.server.transcripts.ShelfSearch;
import paringknife.server.transcripts.TranscriptStore;
import paringknife.server.web.Attachment;
import paringknife.server.web.Outdated;

/** Correcting transcripts over HTTP. */
@RestController
@RequestMapping("/api")
class TranscriptController {
  private static final int MOST_STEPS = 100;

  private final TranscriptStore store;
  private final Episodes episodes;
  private final Glossary glossary;
  private final ShelfSearch shelf;
  private final ShowSpelling spelling;
  private final Events events;

  TranscriptController(
      TranscriptStore store,
      Episodes episodes,
      Glossary glossary,
      ShelfSearch shelf,
      ShowSpelling spelling,
      Events events) {
    this.store = store;
    this.episodes = episodes;
    this.glossary = glossary;
    this.shelf = shelf;
    this.spelling = spelling;
    this.events = events;
  }

  /** A correction of the state with this revision. */
  record TranscriptChange(int revision, TranscriptIntent intent) {}

  /** The revision that undo or redo starts from. */
  record TranscriptSeen(int revision) {}

  /**
   * What one correction made of a transcript, against the state with the revision before; words in
   * columns, {@code taken} of them from {@code at} on give way to those here.
   */
  record TranscriptStep(
      int fromRevision,
      int revision,
      @Nullable String undo,
      @Nullable String redo,
      List<String> speakers,
      int at,
      int taken,
      long[] ids,
      List<String> text,
      long[] startUs,
      long[] endUs,
      int[] speaker,
      double[] confidence,
      List<Passage> paragraphs,
      int[] sentenceEnds) {
    static TranscriptStep between(
        TranscriptStore.StoredTranscript before, TranscriptStore.StoredTranscript after) {
      TranscriptDelta delta = TranscriptDelta.between(before.transcript(), after.transcript());
      List<Word> added = delta.added();
      return new TranscriptStep(
          before.revision(),
          after.revision(),
          after.undo(),
          after.redo(),
          after.transcript().speakers(),
          delta.at(),
          delta.taken().size(),
          added.stream().mapToLong(Word::id).toArray(),
          added.stream().map(Word::text).toList(),
          added.stream().mapToLong(Word::startUs).toArray(),
          added.stream().mapToLong(Word::endUs).toArray(),
          added.stream().mapToInt(Word::speaker).toArray(),
          added.stream().mapToDouble(Word::confidence).toArray(),
          Paragraphs.of(after.transcript()),
          Sentences.of(after.transcript()).stream().mapToInt(Passage::to).toArray());
    }
  }

  /** A spelling a show prefers. */
  record Spelling(String heard, String written) {}

  @PostMapping("/episodes/{id}/transcript/changes")
  TranscriptStep change(@PathVariable long id, @RequestBody TranscriptChange change) {
    TranscriptStore.StoredTranscript seen = seen(id, change.revision());
    Transcript changed = change.intent().apply(seen.transcript());
    if (change.intent() instanceof TranscriptIntent.Replace replaced) {
      glossary.corrected(
          episodes.row(id).show(),
          seen.transcript().text(replaced.first(), replaced.last() + 1),
          replaced.text());
    }
    return settle(seen, store.change(seen, change.intent().label(), changed));
  }

  /** What was corrected last, and by whom; newest first. */
  @GetMapping("/episodes/{id}/transcript/steps")
  List<StepLog.StepTaken> steps(@PathVariable long id) {
    return store.lastSteps(id, episodes.transcript(id).applied(), MOST_STEPS);
  }

  @PostMapping("/episodes/{id}/transcript/undo")
  TranscriptStep undo(@PathVariable long id, @RequestBody TranscriptSeen at) {
    TranscriptStore.StoredTranscript seen = seen(id, at.revision());
    return settle(seen, store.undo(seen));
  }

  @PostMapping("/episodes/{id}/transcript/redo")
  TranscriptStep redo(@PathVariable long id, @RequestBody TranscriptSeen at) {
    TranscriptStore.StoredTranscript seen = seen(id, at.revision());
    return settle(seen, store.redo(seen));
  }

  private TranscriptStore.StoredTranscript seen(long id, int revision) {
    TranscriptStore.StoredTranscript stored = episodes.transcript(id);
    if (stored.revision() != revision) {
      throw new Outdated(
          "This transcript was changed in another window. That change is kept; the transcript is shown as it is now.");
    }
    return stored;
  }

  private TranscriptStep settle(
      TranscriptStore.StoredTranscript before, TranscriptStore.StoredTranscript after) {
    store.remember(after);
    events.transcriptChanged(after.episodeId());
    return TranscriptStep.between(before, after);
  }

  @GetMapping("/episodes/{id}/doubtful")
  List<DoubtfulWord> doubtful(@PathVariable long id) {
    Transcript transcript = episodes.transcript(id).transcript();
    return DoubtfulWords.find(
        transcript, spelling.of(transcript.language(), episodes.row(id).show()));
  }

  /** A stretch of the text that was not heard: words by index, both ends included. */
  record Unheard(int first, int last, String text) {}

  /** Where text and sound do not say the same. */
  record MisfitList(List<Unheard> unheard, List<paringknife.core.time.Span> untold) {}

  @GetMapping("/episodes/{id}/misfits")
  MisfitList misfits(@PathVariable long id) {
    Transcript transcript = episodes.transcript(id).transcript();
    Misfits left = store.misfits(id).left(transcript);
    return new MisfitList(
        left.unheard().stream()
            .map(
                s ->
                    new Unheard(
                        transcript.indexOf(s.firstWord()),
                        transcript.indexOf(s.lastWord()),
                        transcript.text(
                            transcript.indexOf(s.firstWord()),
                            transcript.indexOf(s.lastWord()) + 1)))
            .toList(),
        left.untold());
  }

  /** A verbatim text. */
  record VerbatimText(@Schema(maxLength = 8_000_000) String text) {}

  /** Puts a pasted text in the place of the words and has it timed against the sound. */
  @PostMapping("/episodes/{id}/transcript-text")
  void paste(@PathVariable long id, @RequestBody VerbatimText pasted) {
    episodes.paste(
        id,
        TranscriptFile.read("The text.txt", pasted.text().getBytes(StandardCharsets.UTF_8))
            .transcript());
    events.transcriptChanged(id);
  }

  /** Work asked for on an episode's words. */
  record WordsAsked(WordsWork work) {}

  @PostMapping("/episodes/{id}/words")
  void listen(@PathVariable long id, @RequestBody WordsAsked asked) {
    episodes.listen(id, asked.work());
  }

  /** The recogniser of this machine. */
  @GetMapping("/recogniser")
  Recogniser.Description recogniser() {
    return Recogniser.installed().description();
  }

  @GetMapping("/episodes/{id}/glossary")
  List<Glossary.Entry> glossary(@PathVariable long id) {
    return glossary.of(episodes.row(id).show());
  }

  @PostMapping("/episodes/{id}/glossary")
  void accept(@PathVariable long id, @RequestBody Spelling spelling) {
    glossary.accept(episodes.row(id).show(), spelling.heard(), spelling.written());
  }

  @PostMapping("/episodes/{id}/glossary/remove")
  void remove(@PathVariable long id, @RequestBody Spelling spelling) {
    glossary.remove(episodes.row(id).show(), spelling.heard(), spelling.written());
  }

  @GetMapping("/said")
  List<ShelfSearch.Said> said(@RequestParam String phrase) throws IOException {
    return shelf.find(phrase);
  }

  @GetMapping("/episodes/{id}/transcript-file")
  ResponseEntity<byte[]> export(
      @PathVariable long id,
      @RequestParam(defaultValue = "txt") String format,
      @RequestParam(defaultValue = "true") boolean speakers,
      @RequestParam(defaultValue = "false") boolean times) {
    String text =
        TranscriptExport.write(episodes.transcript(id).transcript(), format, speakers, times);
    String name = episodes.row(id).title().replaceAll("[^\\p{L}\\p{N} ._-]", "").strip();
    return ResponseEntity.ok()
        .header("Content-Type", TranscriptExport.type(format))
        .header(
            "Content-Disposition",
            Attachment.named((name.isEmpty() ? "transcript" : name) + "." + format).toString())
        .body(text.getBytes(StandardCharsets.UTF_8));
  }
}
