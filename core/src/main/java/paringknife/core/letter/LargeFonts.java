package paringknife.core.letter;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PlayedWord;
import paringknife.core.letter.cue.CaptionEdit;
import paringknife.core.letter.fonts.BorrowedLetters;
import paringknife.core.letter.translated.TranslatedSentence;
import paringknife.core.letter.translated.Translation;
import paringknife.core.transcript.Transcript;

/** The large fonts that a clip's captions need, told from its texts before they are broken. */
public final class LargeFonts {
  private LargeFonts() {}

  /** Files of all that the captions are drawn from, in whatever language. */
  public static List<String> of(Lettered lettered, CutList cuts, Transcript transcript) {
    List<List<String>> tracks = new ArrayList<>();
    tracks.add(
        Stream.concat(
                PlayedWord.of(cuts, transcript).stream().map(w -> w.word().text()),
                lettered.editsOf(Lettered.SPOKEN).stream().flatMap(LargeFonts::typed))
            .toList());
    for (Translation translation : lettered.translations().values()) {
      tracks.add(translation.sentences().stream().map(TranslatedSentence::text).toList());
    }
    return tracks.stream()
        .flatMap(texts -> BorrowedLetters.largeFiles(texts).stream())
        .distinct()
        .toList();
  }

  private static Stream<String> typed(CaptionEdit edit) {
    if (edit instanceof CaptionEdit.ShowAs shown) {
      return Stream.of(shown.text());
    }
    return edit instanceof CaptionEdit.Added added ? Stream.of(added.text()) : Stream.empty();
  }
}
