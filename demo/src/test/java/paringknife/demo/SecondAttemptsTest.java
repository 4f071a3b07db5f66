package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/**
 * The second demo episode, pared of pauses and repeats, against its script: what was said again and
 * the knock on the microphone must be gone, and no word that is wanted.
 */
class SecondAttemptsTest {
  /** Lines of the script that are said again after, in their order. */
  private static final List<String> SAID_AGAIN =
      List.of(
          "The first column is the day. The second column is the, um.",
          "The gate hangs a little out of true. When the tide turns, the water, the water leans on it.",
          "A dry bearing sings. It starts as a whisper and, uh, and it ends as a bill.",
          "Face the way the water comes from.",
          "Stand with your back to the stream, no, sorry.");

  private static Performance performance;
  private static Transcript transcript;
  private static KeptIndex kept;

  @BeforeAll
  static void pare() throws Exception {
    performance = DemoMaker.perform(DemoMaker.FIELD_NOTES);
    List<Word> words = new ArrayList<>();
    for (SpokenWord word : performance.words) {
      words.add(
          new Word(
              words.size(),
              word.written(),
              Math.round(word.start() * 1e6),
              Math.round(word.end() * 1e6),
              0,
              0.95));
    }
    transcript = new Transcript("en", List.of("Maud"), words);
    LevelCurve.Collector levels = new LevelCurve.Collector(Performance.RATE);
    for (float sample : new Microphones(performance, DemoMaker.FIELD_NOTES.voices()).mixed()) {
      levels.add(sample);
    }
    PareEditor editor = new PareEditor(transcript, levels.finish());
    long end = Math.round(performance.seconds * 1e6);
    Pared whole = Pared.of(List.of(new Span(0, end)));
    Pared pared = editor.parePauses(editor.repeats().pare(whole), PauseSettings.DEFAULT);
    kept = pared.cuts(transcript).index();
  }

  private static List<Integer> lineOfEachWord() throws Exception {
    List<Integer> lines = new ArrayList<>();
    try (InputStream in = DemoMaker.class.getResourceAsStream("/scripts/field-notes-03.txt")) {
      int line = 0;
      for (Script.Cue cue :
          Script.parse(new String(in.readAllBytes(), StandardCharsets.UTF_8)).cues()) {
        if (cue instanceof Script.Line said) {
          int number = SAID_AGAIN.indexOf(said.spoken());
          boolean first = number >= 0 && !lines.contains(number);
          for (int w = 0; w < said.words().size(); w++) {
            lines.add(first ? number : -1);
          }
          line++;
        }
      }
      assertThat(line).isGreaterThan(10);
    }
    return lines;
  }

  @Test
  void secondAttemptsAreGoneAndNoWantedWordIsLost() throws Exception {
    List<Integer> lines = lineOfEachWord();
    assertThat(lines).hasSameSizeAs(transcript.words());
    int unwanted = 0;
    int gone = 0;
    for (int i = 0; i < lines.size(); i++) {
      Span word = transcript.words().get(i).span();
      if (lines.get(i) >= 0) {
        unwanted++;
        gone += kept.keptUs(word) == 0 ? 1 : 0;
      } else {
        assertThat(word.lengthUs() - kept.keptUs(word))
            .as(transcript.words().get(i).text())
            .isLessThanOrEqualTo(10_000);
      }
    }
    assertThat(unwanted).isGreaterThan(50);
    assertThat(gone / (double) unwanted).isGreaterThanOrEqualTo(0.95);
  }

  @Test
  void theKnockOnTheMicrophoneIsGone() {
    assertThat(performance.bumps).isNotEmpty();
    for (double[] bump : performance.bumps) {
      assertThat(kept.keptUs(new Span(Math.round(bump[0] * 1e6), Math.round(bump[1] * 1e6))))
          .isZero();
    }
  }

  @Test
  void longSilencesAreGone() {
    long played = Math.round(performance.seconds * 1e6);
    long left = kept.keptUs(new Span(0, played));
    long said = transcript.words().stream().mapToLong(w -> kept.keptUs(w.span())).sum();
    assertThat(left - said).as("what is left beside words").isLessThan(Math.round(0.35 * said));
  }
}
