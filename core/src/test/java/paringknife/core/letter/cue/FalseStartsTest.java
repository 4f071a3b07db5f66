package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.Talk;
import paringknife.core.transcript.Transcript;

class FalseStartsTest {
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "I was, I was going home. | I was,",
        "The the mill stopped. | The",
        "We were in the, in the, in the yard. | in the, in the,",
        "It was very, very late. | ''",
        "He had had enough. | ''",
        "We wen- we went home. | wen-",
        "No. No. | ''",
        "Five five two. | ''",
      })
  void whatIsSaidAgainAtOnceIsFound(String said, String found) {
    Transcript transcript = new Talk().speaker("Ada").say(said.strip()).transcript();
    assertThat(
            FalseStarts.find(transcript).stream()
                .map(s -> transcript.words().get(transcript.firstEndingAfter(s.startUs())).text())
                .collect(Collectors.joining(" ")))
        .isEqualTo(found.strip());
  }
}
