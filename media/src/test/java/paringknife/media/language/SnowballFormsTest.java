package paringknife.media.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.pick.WordForms;

class SnowballFormsTest {
  /** Pairs from the sample vocabularies published with the Snowball algorithms, from memory. */
  @ParameterizedTest
  @CsvSource({
    "en,consistency,consist",
    "en,knightly,knight",
    "en,winding,wind",
    "en-GB,consisted,consist",
    "de,aufeinanderfolge,aufeinanderfolg",
    "fr,continuait,continu",
    "es,torneados,torn",
    "sv,flickorna,flick",
  })
  void takesWordsToWhatTheirFormsHaveInCommon(String language, String word, String stem) {
    assertThat(SnowballForms.of(language).stem(word)).isEqualTo(stem);
  }

  @Test
  void knowsWhatOnlyHoldsSentencesTogether() {
    assertThat(SnowballForms.of("de").isFunctionWord("und")).isTrue();
    assertThat(SnowballForms.of("fr").isFunctionWord("bateau")).isFalse();
  }

  @Test
  void leavesWordsOfALanguageItDoesNotKnowAsTheyAre() {
    for (String language : List.of("cy", "", "zxx", "not a language")) {
      WordForms forms = SnowballForms.of(language);
      assertThat(forms.stem("rhedeg")).isEqualTo("rhedeg");
      assertThat(forms.isFunctionWord("rhedeg")).isFalse();
    }
  }

  @Test
  void answersSeveralThreadsAtOnce() {
    WordForms forms = SnowballForms.of("en");
    assertThat(
            IntStream.range(0, 20_000)
                .parallel()
                .mapToObj(i -> forms.stem(i % 2 == 0 ? "consistency" : "winding"))
                .distinct()
                .sorted())
        .containsExactly("consist", "wind");
  }
}
