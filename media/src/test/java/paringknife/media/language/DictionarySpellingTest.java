package paringknife.media.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.transcript.DoubtfulWord;
import paringknife.core.transcript.DoubtfulWords;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** LanguageTool's dictionaries asked about words of a transcript. */
class DictionarySpellingTest {
  private final DictionarySpelling english = new DictionarySpelling("en");

  @Test
  void bothSidesOfTheOceanSpellRight() {
    assertThat(List.of("winter", "colour", "color", "don't", "sluice", "half-frozen", "1987", "a"))
        .allMatch(english::knows);
    assertThat(List.of("wintr", "sluise", "half-frozn", "Ostreva")).noneMatch(english::knows);
  }

  @Test
  void anotherLanguageIsLeftAlone() {
    assertThat(new DictionarySpelling("de").knows("Mühlrad")).isTrue();
  }

  @Test
  void aMisspeltWordIsDoubtfulUntilItIsAccepted() {
    Transcript transcript =
        new Transcript(
            "en",
            List.of(),
            List.of(
                word(0, "The", 0.9),
                word(1, "\u201cwintr\u201d,", 0.9),
                word(2, "held.", 0.9),
                word(3, "Sluise", 1)));
    assertThat(DoubtfulWords.find(transcript, english))
        .containsExactly(new DoubtfulWord(1, DoubtfulWord.Why.UNKNOWN_SPELLING));
  }

  private static Word word(int i, String text, double confidence) {
    return new Word(i, text, i * 400_000L, i * 400_000L + 300_000, -1, confidence);
  }
}
