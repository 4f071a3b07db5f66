package paringknife.server.commands;

import java.util.List;
import paringknife.core.clip.ClipDocument;
import paringknife.core.letter.LetterIntent;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.translated.Proposals;
import paringknife.core.letter.translated.SentencePair;
import paringknife.core.letter.translated.TranslatedSentence;
import paringknife.core.letter.translated.Translation;
import paringknife.core.letter.translated.Translator;
import paringknife.core.transcript.Transcript;
import paringknife.media.language.PhraseBook;
import picocli.CommandLine.Option;

/** Captions in other languages, on the command line. */
final class LanguageOptions {
  private final Translator translator = PhraseBook.shipped();

  @Option(
      names = "--language",
      description =
          "captions in this language too, in a file beside the picture (de, ar); by a phrase book"
              + " that stands in for a translation service")
  private List<String> languages = List.of();

  /** Refuses languages that nothing here knows. */
  void check(String spoken) {
    for (String asked : languages) {
      String language = Translation.language(asked);
      if (!translator.translates(spoken, language)) {
        throw new IllegalArgumentException(
            "The phrase book does not go from " + spoken + " to " + language + ".");
      }
    }
  }

  /** A clip with what the translator knows of what is said in it. */
  ClipDocument on(ClipDocument clip, List<SaidSentence> said, Transcript transcript) {
    Lettered lettered = clip.lettered();
    for (String asked : languages) {
      String language = Translation.language(asked);
      List<SentencePair> pairs = SentencePair.pair(said, List.of(), transcript).pairs();
      List<TranslatedSentence> proposed =
          new Proposals(translator).of(pairs, transcript.language(), language);
      lettered = new LetterIntent.Translate(language, proposed).apply(lettered, transcript);
      System.err.printf(
          "%s: %d of %d sentences in %s%n", clip.title(), proposed.size(), said.size(), language);
    }
    return clip.with(lettered);
  }
}
