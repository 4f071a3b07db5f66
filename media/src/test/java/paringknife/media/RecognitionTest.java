package paringknife.media;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.transcript.TokenAlignment;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;
import paringknife.media.speech.Flite;
import paringknife.media.speech.PocketSphinx;
import paringknife.media.speech.UnusableModel;
import paringknife.media.speech.VoskModelFolder;

/** What the recogniser of this machine hears, and what is said of a model that cannot be used. */
class RecognitionTest {
  private static final Path READ_SPEECH = Path.of("/usr/share/pocketsphinx/test/data/librivox");

  @TempDir Path folder;

  private static double heard(List<String> said, Transcript recognised) {
    int[] match = TokenAlignment.match(said, recognised.words().stream().map(Word::bare).toList());
    int found = 0;
    for (int m : match) {
      found += m >= 0 ? 1 : 0;
    }
    return found / (double) said.size();
  }

  /**
   * Public-domain read speech with its text: what the application says of the recogniser's quality
   * is so.
   */
  @Test
  void threeQuartersOfClearReadSpeechIsHeard() throws Exception {
    List<String> said = new ArrayList<>();
    double found = 0;
    for (String line : Files.readAllLines(READ_SPEECH.resolve("transcription"))) {
      List<String> words =
          List.of(line.replaceAll("</?s>", "").replaceAll("\\(.*", "").strip().split("\\s+"));
      Path wav = READ_SPEECH.resolve(line.replaceAll(".*\\((.*)\\)$", "$1") + ".wav");
      Transcript recognised = new PocketSphinx().recognise(wav, share -> {});
      assertThat(recognised.words()).allMatch(w -> w.confidence() < 1 && w.speaker() == -1);
      found += heard(words, recognised) * words.size();
      said.addAll(words);
    }
    System.out.printf(
        "recogniser: %.0f %% of %d words of read speech%n", 100 * found / said.size(), said.size());
    assertThat(found / said.size()).isBetween(0.6, 0.95);
  }

  /** Times against the phones that flite says it spoke. */
  @Test
  void wordsAreWhereTheyWereSpoken() {
    Path wav = folder.resolve("said.wav");
    List<Flite.Phone> phones =
        new Flite("slt", 1.1).speak("The winter was cold and the water was high.", wav);
    double speechEnds =
        phones.stream()
            .filter(p -> !p.isSilence())
            .mapToDouble(Flite.Phone::end)
            .max()
            .orElseThrow();
    Transcript recognised = new PocketSphinx().recognise(wav, share -> {});
    assertThat(recognised.words().get(recognised.words().size() - 1).endUs() / 1e6)
        .isBetween(speechEnds - 0.15, speechEnds + 0.15);
  }

  @Test
  void aFolderThatIsNoVoskModelIsRefused() {
    assertThatThrownBy(() -> new VoskModelFolder(folder.resolve("nowhere")))
        .isInstanceOf(UnusableModel.class)
        .hasMessageContaining("no Vosk model folder");
    assertThatThrownBy(
            () ->
                new VoskModelFolder(folder)
                    .recognise(
                        READ_SPEECH.resolve("sense_and_sensibility_01_austen_64kb-0880.wav"),
                        share -> {}))
        .isInstanceOf(UnusableModel.class)
        .hasMessageContaining("is not a Vosk model");
  }
}
