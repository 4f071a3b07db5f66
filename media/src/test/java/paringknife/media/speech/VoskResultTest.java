package paringknife.media.speech;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.transcript.Word;

/** Vosk's results in the form its documentation gives, and the languages of model folders. */
class VoskResultTest {
  @Test
  void wordsComeWithTimesAndConfidence() {
    List<Word> words = new ArrayList<>();
    VoskModelFolder.addWords(
        "{\"result\":[{\"conf\":0.97,\"end\":1.02,\"start\":0.63,\"word\":\"tide\"},{\"conf\":1.0,\"end\":1.4,\"start\":1.02,\"word\":\"mill\"}],\"text\":\"tide mill\"}",
        words);
    VoskModelFolder.addWords("{\"text\":\"\"}", words);
    assertThat(words)
        .containsExactly(
            new Word(0, "tide", 630_000, 1_020_000, -1, 0.97),
            new Word(1, "mill", 1_020_000, 1_400_000, -1, 0.99));
  }

  @Test
  void theLanguageIsInTheFoldersName() {
    assertThat(VoskModelFolder.language("vosk-model-small-de-0.15")).isEqualTo("de");
    assertThat(VoskModelFolder.language("vosk-model-en-us-0.22")).isEqualTo("en");
    assertThat(VoskModelFolder.language("my-own")).isEqualTo("und");
  }
}
