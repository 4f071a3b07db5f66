package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.PlainText;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.speech.Flite;
import paringknife.media.speech.ForcedAligner;

/** A text timed against real read speech, and against sound that says something else. */
class AlignmentTest {
  private static final Path READ_SPEECH = Path.of("/usr/share/pocketsphinx/test/data/librivox");

  @TempDir static Path folder;

  /**
   * Public-domain read speech of Debian's {@code pocketsphinx-testdata}, with the text that comes
   * with it.
   */
  @Test
  void readSpeechIsAlignedWordByWord() throws Exception {
    int words = 0;
    int heard = 0;
    for (String line : Files.readAllLines(READ_SPEECH.resolve("transcription"))) {
      String file = line.replaceAll(".*\\((.*)\\)$", "$1");
      String said = line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip();
      TextOnSound laid =
          new ForcedAligner()
              .align(
                  READ_SPEECH.resolve(file + ".wav"), PlainText.read(said, 1_000_000), share -> {});
      words += laid.transcript().words().size();
      heard += (int) Math.round(laid.matched() * laid.transcript().words().size());
      for (int i = 1; i < laid.transcript().words().size(); i++) {
        Word before = laid.transcript().words().get(i - 1);
        Word word = laid.transcript().words().get(i);
        assertThat(word.startUs())
            .as(said + ": " + word.text())
            .isGreaterThanOrEqualTo(before.startUs());
        assertThat(word.endUs() - word.startUs())
            .as(said + ": " + word.text())
            .isBetween(20_000L, 1_300_000L);
      }
    }
    assertThat(heard / (double) words).isGreaterThan(0.95);
  }

  @Test
  void whatTheSoundDoesNotSayIsMarkedAndTheRestKeepsItsPlace() {
    Path wav = folder.resolve("told.wav");
    new Flite("slt", 1.1)
        .speak(
            "The tide comes up the creek and fills the pond behind a gate. Nobody had told me that a mill can freeze.",
            wav);
    Transcript text =
        PlainText.read(
            "The tide comes up the creek and fills the pond behind a gate. Seven yellow umbrellas danced across purple mountains yesterday. Nobody had told me that a mill can freeze.",
            9_000_000);
    TextOnSound laid = new ForcedAligner().align(wav, text, share -> {});
    assertThat(laid.unmatched()).hasSize(1);
    String marked = text.text(laid.unmatched().get(0).from(), laid.unmatched().get(0).to());
    assertThat(marked).contains("yellow umbrellas danced across purple");
    assertThat(laid.transcript().words().stream().filter(w -> w.confidence() < 0.5).map(Word::text))
        .contains("umbrellas", "purple");
    assertThat(laid.transcript().words().get(text.words().size() - 1).confidence())
        .isGreaterThan(0.9);
  }

  @Test
  void aTextOfAnotherRecordingIsTold() {
    Path wav = folder.resolve("other.wav");
    new Flite("slt", 1.1)
        .speak("The tide comes up the creek and fills the pond behind a gate.", wav);
    Transcript text =
        PlainText.read(
            String.join(
                " ",
                Arrays.asList(
                    "Completely different words about gardening",
                    "tomatoes want sunshine every morning",
                    "potatoes prefer shade")),
            9_000_000);
    assertThat(new ForcedAligner().align(wav, text, share -> {}).matched())
        .isLessThan(ForcedAligner.LEAST_MATCH);
  }
}
