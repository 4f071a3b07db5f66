package paringknife.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class PerformanceTest {
  private static final List<Voice> VOICES =
      List.of(new Voice('A', "Ada", "slt", 1), new Voice('B', "Ben", "rms", 1));

  private static final Script SCRIPT =
      Script.parse(
          """
          A: Um, the ice came up the race=>rays, and stopped. It stopped the wheel.
          {1.5}
          {bump}
          B: Nobody had told me.
          {over 0.4}
          A: No.
          """);

  @Test
  void everyWordHasItsTimeAndMistakesAreOnlyWritten() {
    Performance performance = Performance.of(SCRIPT, VOICES, 1);
    assertThat(performance.words)
        .extracting(SpokenWord::spoken)
        .contains("race,", "Nobody")
        .doesNotContain("rays,");
    assertThat(performance.words).extracting(SpokenWord::written).contains("rays,");
    for (SpokenWord word : performance.words) {
      assertThat(word.end() - word.start()).as(word.spoken()).isBetween(0.03, 1.2);
    }
    assertThat(performance.bumps).hasSize(1);
  }

  /** flite prints the end of every phone; a word's edges must be edges of phones. */
  @Test
  void wordEdgesAreEdgesOfPhones() {
    Performance performance = Performance.of(SCRIPT, VOICES, 1);
    for (SpokenWord word : performance.words) {
      assertThat(performance.phones)
          .as(word.spoken())
          .anyMatch(p -> Math.abs(p.start() - word.start()) < 1e-6 && !p.name().equals("pau"));
      assertThat(performance.phones)
          .as(word.spoken())
          .anyMatch(p -> Math.abs(p.end() - word.end()) < 1e-6 && !p.name().equals("pau"));
    }
  }

  @Test
  void theSameScriptGivesTheSamePerformance() {
    assertThat(Performance.of(SCRIPT, VOICES, 1).words)
        .isEqualTo(Performance.of(SCRIPT, VOICES, 1).words);
  }
}
