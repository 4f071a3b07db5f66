package paringknife.media.language;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.letter.translated.Translator;
import paringknife.core.letter.translated.Translator.Proposal;

/** What any translator keeps to, and what this one knows. */
class PhraseBookTest {
  private final Translator book = PhraseBook.shipped();

  private Proposal german(String sentence) {
    return book.translate("en-GB", "de", List.of(sentence)).get(0);
  }

  @Test
  void itSaysThatItIsAStandIn() {
    assertThat(book.name()).contains("stands in");
  }

  @Test
  void aSentenceItKnowsIsWholeWhateverItsMarksAndHesitations() {
    assertThat(german("nobody  had told, uh, me!"))
        .isEqualTo(new Proposal("Niemand hatte es mir gesagt.", true));
  }

  @Test
  void whatItHasNoWordForStandsInBrackets() {
    assertThat(german("The mill and the carburettor."))
        .isEqualTo(new Proposal("die Mühle und die [carburettor.]", false));
    assertThat(german("Quite incomprehensible carburettor.")).isEqualTo(new Proposal("", false));
  }

  @Test
  void everySentenceHasItsAnswer() {
    List<String> asked = List.of("Nobody rang.", "", "Xyzzy.", "Nobody rang.");
    assertThat(book.translate("en", "de", asked)).hasSameSizeAs(asked);
  }

  @Test
  void languagesItDoesNotKnowAreRefused() {
    assertThat(book.translates("en", "ja")).isFalse();
    assertThat(book.translates("de", "en")).isFalse();
    assertThatIllegalArgumentException()
        .isThrownBy(() -> book.translate("en", "ja", List.of("Nobody rang.")))
        .withMessageContaining("does not go from en to ja");
  }
}
