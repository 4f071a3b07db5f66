package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.deliver.Check.Verdict;
import paringknife.core.time.Span;

class LookedThroughTest {
  private static final long TEN_S = 10_000_000;
  private static final FileForm FILM = new FileForm("h264", "High", "yuv420p", "aac", true);

  private static LookedThrough with(List<Span> black, List<Span> silent, long late, long early) {
    return new LookedThrough(
        TEN_S, FILM, black, List.of(), silent, late, early, List.of(), List.of());
  }

  private static Check check(LookedThrough through, String subject) {
    return through.checks().stream()
        .filter(c -> c.subject().equals(subject))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void whatIsWholePasses() {
    assertThat(with(List.of(), List.of(), 0, 0).checks())
        .extracting(Check::verdict)
        .containsOnly(Verdict.PASSES);
  }

  @Test
  void aStretchIsWorthKnowingAndAllOfItFails() {
    Span stretch = new Span(2_000_000, 3_500_000);
    Check some = check(with(List.of(stretch), List.of(), 0, 0), "picture");
    assertThat(some.verdict()).isEqualTo(Verdict.NOTE);
    assertThat(some.text()).isEqualTo("black from 2.0 s to 3.5 s");
    assertThat(check(with(List.of(new Span(0, TEN_S)), List.of(), 0, 0), "picture").verdict())
        .isEqualTo(Verdict.FAILS);
    assertThat(check(with(List.of(), List.of(new Span(0, 9_500_000)), 0, 0), "sound").text())
        .isEqualTo("all of it is silent");
  }

  @Test
  void manyStretchesAreCounted() {
    List<Span> five =
        List.of(
            new Span(0, 500_000),
            new Span(1_000_000, 1_500_000),
            new Span(2_000_000, 2_500_000),
            new Span(3_000_000, 3_500_000),
            new Span(4_000_000, 4_500_000));
    assertThat(check(with(five, List.of(), 0, 0), "picture").text())
        .endsWith("from 2.0 s to 2.5 s and in 2 other places");
  }

  /** EBU R 37: sound at most 40 ms early and 60 ms late. */
  @ParameterizedTest
  @CsvSource({
    "0, 0, PASSES",
    "60, 0, PASSES",
    "61, 0, FAILS",
    "-40, 0, PASSES",
    "-41, 0, FAILS",
    "0, 100, PASSES",
    "0, 400, FAILS",
    "0, -400, PASSES"
  })
  void soundIsInStep(long lateMs, long earlyMs, Verdict verdict) {
    assertThat(check(with(List.of(), List.of(), lateMs * 1_000, earlyMs * 1_000), "in step"))
        .extracting(Check::verdict)
        .isEqualTo(verdict);
  }

  @Test
  void captionsThatAreNotThereFail() {
    LookedThrough through =
        new LookedThrough(
            TEN_S,
            FILM,
            List.of(),
            List.of(),
            List.of(),
            0,
            0,
            List.of(1_000_000L, 5_000_000L),
            List.of(5_000_000L));
    assertThat(check(through, "captions seen").verdict()).isEqualTo(Verdict.FAILS);
    assertThat(check(through, "captions seen").text()).isEqualTo("none at 5.0 s");
  }

  @Test
  void soundAloneIsOnlyHeard() {
    LookedThrough sound =
        new LookedThrough(
            TEN_S,
            new FileForm("", "", "", "mp3", true),
            List.of(),
            List.of(),
            List.of(),
            0,
            0,
            List.of(),
            List.of());
    assertThat(sound.checks()).extracting(Check::subject).containsExactly("in browsers", "sound");
  }
}
