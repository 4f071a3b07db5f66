package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class MendedMarksTest {
  /** Words in brackets are left out. */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "and, [uh,] a borrowed veil. | and a borrowed veil.",
        "It was, [I mean, you know,] late. | It was late.",
        "So [um] we went home. | So we went home.",
        "[Um,] the mill stopped. | The mill stopped.",
        "We left. [And,] the wheel stopped. | We left. The wheel stopped.",
        "We left the mill, [to be honest.] Nobody came. | We left the mill. Nobody came.",
        "Did he come, [you know?] Nobody did. | Did he come? Nobody did.",
        "We left, [that day.] | We left.",
        "Yes, we did, and, [er] well. | Yes, we did, and, well.",
        "One, two, [three,] four. | One, two four.",
        "They had bread, cheese. | They had bread, cheese.",
        "the water [was low. And then it] rose. | the water rose.",
      })
  void marksThatAreLeftOverAreMended(String said, String reads) {
    List<Word> words = new ArrayList<>();
    List<SpokenWord> kept = new ArrayList<>();
    boolean out = false;
    long us = 0;
    for (String token : said.strip().split(" ")) {
      out |= token.startsWith("[");
      String text = token.replaceAll("[\\[\\]]", "");
      Word word = new Word(words.size(), text, us, us + 300_000, 0, 1);
      words.add(word);
      if (!out) {
        kept.add(new SpokenWord(word, word.span(), Long.MAX_VALUE));
      }
      out &= !token.endsWith("]");
      us += 320_000;
    }
    Transcript transcript = new Transcript("en", List.of("Ada"), words);
    assertThat(
            new MendedMarks(transcript)
                .mend(kept).stream().map(SpokenWord::text).collect(Collectors.joining(" ")))
        .isEqualTo(reads.strip());
    assertThat(Arrays.asList(reads.strip().split(" "))).hasSameSizeAs(kept);
  }
}
