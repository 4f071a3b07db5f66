package paringknife.server.clips;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.FileNames;
import paringknife.core.formats.AssSubtitles;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.SubtitleFormat;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.Ttml;
import paringknife.core.formats.Xliff;
import paringknife.core.letter.cue.CaptionUse;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.translated.Proposals;
import paringknife.core.letter.translated.SentencePair;
import paringknife.core.letter.translated.TranslatedSentence;
import paringknife.core.letter.translated.Translation;
import paringknife.core.letter.translated.TranslationFile;
import paringknife.core.letter.translated.Translator;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.Attachment;

/**
 * The captions of a clip in other languages: what there is to translate, files for translators and
 * from them, and proposals. Nothing here changes a clip: what comes of it is taken by an intent.
 */
@RestController
@RequestMapping("/api/clips/{id}/translations/{language}")
class TranslationController {
  private static final String XLIFF = "xlf";

  private final Episodes episodes;
  private final ClipStore clips;
  private final Translator translator;

  TranslationController(Episodes episodes, ClipStore clips, Translator translator) {
    this.episodes = episodes;
    this.clips = clips;
    this.translator = translator;
  }

  /**
   * A sentence and its translation.
   *
   * @param first identity of the first word of it that is heard
   * @param last identity of the last
   * @param played when it is heard as the clip plays
   * @param source what is said
   * @param text nothing where it is not translated
   * @param moved how far its captions are from when it is said; null for not at all
   * @param changed whether what is said has changed since
   */
  record Sentence(
      long first,
      long last,
      Span played,
      String source,
      String text,
      TranslatedSentence.State state,
      TranslatedSentence.@Nullable Moved moved,
      boolean changed) {
    static Sentence of(SentencePair pair, double speed) {
      SaidSentence said = pair.said();
      Span span = said.span();
      return new Sentence(
          said.first(),
          said.last(),
          new Span(Math.round(span.startUs() / speed), Math.round(span.endUs() / speed)),
          said.text(),
          pair.text(),
          pair.state(),
          pair.moved(),
          pair.isChanged());
    }
  }

  /**
   * A language of a clip.
   *
   * @param use where its captions go
   * @param sentences in playing order
   * @param unplaced translations of what is not said in the clip any more
   * @param translator what would propose translations; null where nothing knows the language
   */
  record TranslationState(
      CaptionUse use,
      List<Sentence> sentences,
      List<TranslatedSentence> unplaced,
      @Nullable String translator) {}

  /** A clip with its sentences in one language. */
  private record Opened(
      ClipDocument clip, Transcript transcript, String language, SentencePair.Paired paired) {
    TranslationFile file() {
      return new TranslationFile(paired.pairs(), clip.pared().speed());
    }
  }

  private Opened opened(long id, String language) {
    String tag = Translation.language(language);
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    Transcript transcript = episode.transcript();
    return new Opened(
        clip.document(),
        transcript,
        tag,
        SentencePair.pair(
            episode.compose(clip.document()).said(),
            clip.document().lettered().translation(tag).sentences(),
            transcript));
  }

  @GetMapping
  TranslationState state(@PathVariable long id, @PathVariable String language) {
    Opened opened = opened(id, language);
    double speed = opened.clip().pared().speed();
    boolean known = translator.translates(opened.transcript().language(), opened.language());
    return new TranslationState(
        opened.clip().lettered().translation(opened.language()).use(),
        opened.paired().pairs().stream().map(p -> Sentence.of(p, speed)).toList(),
        opened.paired().unplaced(),
        known ? translator.name() : null);
  }

  /** Proposals for all sentences that nobody has translated, or that say something else by now. */
  @PostMapping("/proposals")
  List<TranslatedSentence> proposals(@PathVariable long id, @PathVariable String language) {
    Opened opened = opened(id, language);
    return new Proposals(translator)
        .of(opened.paired().pairs(), opened.transcript().language(), opened.language());
  }

  /** The sentences as a file for a translator: xlf, srt, vtt, ttml, ass or txt. */
  @GetMapping("/file")
  ResponseEntity<String> file(
      @PathVariable long id,
      @PathVariable String language,
      @RequestParam(defaultValue = XLIFF) String format) {
    Opened opened = opened(id, language);
    String title = opened.clip().delivered().title();
    Optional<SubtitleFormat> subtitles = SubtitleFormat.byExtension(format);
    if (subtitles.isEmpty() && !format.equals(XLIFF)) {
      throw new IllegalArgumentException(
          "Sentences are written as xlf, srt, vtt, ttml, ass or txt.");
    }
    String text =
        subtitles
            .map(f -> f.write(opened.file().timed(), opened.language()))
            .orElseGet(
                () ->
                    opened
                        .file()
                        .xliff(
                            opened.transcript().language(),
                            opened.language(),
                            opened.transcript().speakers())
                        .write(title));
    ContentDisposition disposition =
        Attachment.named(FileNames.part(title) + "." + opened.language() + "." + format);
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_TYPE,
            subtitles.map(SubtitleFormat::mediaType).orElse("application/xliff+xml"))
        .header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString())
        .body(text);
  }

  /** A file that came back from a translator. */
  record FromTranslator(String name, String text) {}

  /**
   * What was in it.
   *
   * @param sentences to be taken
   * @param notSaid how many translations are of what is not said in the clip any more
   * @param mended what had to be put right to read it
   */
  record ReadTranslation(List<TranslatedSentence> sentences, int notSaid, List<String> mended) {}

  /** Reads a file that came back from a translator. */
  @PostMapping("/readings")
  ReadTranslation read(
      @PathVariable long id, @PathVariable String language, @RequestBody FromTranslator given) {
    Opened opened = opened(id, language);
    String name = given.name().toLowerCase(Locale.ROOT);
    try {
      if (name.endsWith(".xlf") || name.endsWith(".xliff")) {
        Xliff file = Xliff.read(given.text());
        if (!file.to().isEmpty() && !isLike(file.to(), opened.language())) {
          throw new IllegalArgumentException(
              "it is in " + file.to() + ", not in " + opened.language());
        }
        TranslationFile.Returned returned = opened.file().from(file);
        return new ReadTranslation(returned.sentences(), returned.notSaid(), List.of());
      }
      ImportedText captions = captions(name, given.text());
      TranslationFile.Returned returned = opened.file().from(captions.cues());
      return new ReadTranslation(returned.sentences(), returned.notSaid(), captions.mended());
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(given.name() + " cannot be read: " + e.getMessage() + ".");
    }
  }

  private static boolean isLike(String one, String other) {
    return Locale.forLanguageTag(one)
        .getLanguage()
        .equals(Locale.forLanguageTag(other).getLanguage());
  }

  private static ImportedText captions(String name, String text) {
    if (name.endsWith(".ttml") || name.endsWith(".xml") || name.endsWith(".dfxp")) {
      return Ttml.read(text);
    }
    return name.endsWith(".ass") ? AssSubtitles.read(text) : SubtitleReader.read(text);
  }
}
