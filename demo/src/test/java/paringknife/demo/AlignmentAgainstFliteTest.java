package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.formats.PlainText;
import paringknife.core.transcript.TextOnSound;
import paringknife.core.transcript.Word;
import paringknife.media.process.ChildProcess;
import paringknife.media.speech.ForcedAligner;

/**
 * Forced alignment against the phone times that {@code flite -psdur} prints for the same speech.
 */
class AlignmentAgainstFliteTest {
  @TempDir Path folder;

  @Test
  void wordsAreFoundWithinThirtyMillisecondsAtTheMedianAndEightyNearlyAlways() throws Exception {
    Performance performance = DemoMaker.perform(DemoMaker.FIELD_NOTES);
    Path raw = folder.resolve("mixed.raw");
    Path wav = folder.resolve("mixed.wav");
    Microphones.writeRaw(new Microphones(performance, DemoMaker.FIELD_NOTES.voices()).mixed(), raw);
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-v",
            "error",
            "-f",
            "s16le",
            "-ar",
            "16000",
            "-ac",
            "1",
            "-i",
            raw.toString(),
            wav.toString()),
        null,
        Duration.ofMinutes(1));
    String text = String.join(" ", performance.words.stream().map(SpokenWord::spoken).toList());

    TextOnSound laid =
        new ForcedAligner().align(wav, PlainText.read(text, 118_000_000), share -> {});

    List<Double> errors = new ArrayList<>();
    for (int i = 0; i < performance.words.size(); i++) {
      Word word = laid.transcript().words().get(i);
      errors.add(Math.abs(word.startUs() / 1e6 - performance.words.get(i).start()));
      errors.add(Math.abs(word.endUs() / 1e6 - performance.words.get(i).end()));
    }
    errors.sort(null);
    assertThat(errors.get(errors.size() / 2)).isLessThanOrEqualTo(0.03);
    assertThat(errors.stream().filter(e -> e <= 0.08).count() / (double) errors.size())
        .isGreaterThanOrEqualTo(0.95);
    assertThat(laid.matched()).isGreaterThan(0.95);
  }
}
