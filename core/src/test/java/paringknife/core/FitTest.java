package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.ClipEditor;
import paringknife.core.pare.ClipSettings;
import paringknife.core.pare.Comparison;
import paringknife.core.pare.FitPlan;
import paringknife.core.pare.Framing;
import paringknife.core.pare.Parings;
import paringknife.core.pare.CutList;
import paringknife.core.pare.Reason;
import paringknife.core.time.Span;

class FitTest {
  private static final Talk TALK =
      new Talk()
          .speaker("A")
          .say("Um, the ice came up the race")
          .pause(2)
          .say("the ice came up the race and, you know, it stopped the wheel.")
          .pause(1.5)
          .say("Nobody had told me about that at all, not one word, so there we were.");

  private final ClipEditor editor = new ClipEditor(TALK.transcript(), TALK.levels());

  @Test
  void theLeastHarmGoesFirstAndEveryStepSaysWhatItGives() {
    ClipDocument clip = TALK.clip();
    FitPlan plan = FitPlan.of(editor, clip, 9_000_000);
    assertThat(plan.steps()).extracting(FitPlan.Step::kind).startsWith(FitPlan.Kind.PAUSES, FitPlan.Kind.SURE_FILLERS, FitPlan.Kind.REPEATS);
    long length = plan.lengthUs();
    for (FitPlan.Step step : plan.steps()) {
      if (step.kind() != FitPlan.Kind.SPEED) {
        assertThat(step.lengthAfterUs()).isEqualTo(length - step.gainUs());
        length = step.lengthAfterUs();
      }
    }
    List<FitPlan.Kind> needed = plan.steps().stream().filter(FitPlan.Step::needed).map(FitPlan.Step::kind).toList();
    ClipDocument fitted = plan.apply(editor, clip, needed);
    assertThat(plan.fits()).isTrue();
    assertThat(editor.lengthUs(fitted)).isLessThanOrEqualTo(9_000_000);
  }

  /** Common practice: 63.35 s brought to 58 s by speed alone is 1.092 times. */
  @Test
  void speedAloneIsWhatTheTradeReckons() {
    long us = 63_350_000;
    ClipDocument clip = ClipDocument.of(new ClipSettings("Clip", List.of(new Span(0, us)), "9:16", Framing.SPEAKER, "sluice", List.of()));
    Talk silent = new Talk().speaker("A");
    ClipEditor nothingToCut = new ClipEditor(silent.transcript(), new paringknife.core.listen.LevelCurve(new float[0]));
    FitPlan plan = FitPlan.of(nothingToCut, clip, 58_000_000);
    assertThat(plan.speed()).isCloseTo(1.0925, within(0.001));
    assertThat(plan.fits()).isTrue();
    ClipDocument faster = plan.apply(nothingToCut, clip, List.of(FitPlan.Kind.SPEED));
    assertThat(nothingToCut.lengthUs(faster)).isBetween(57_900_000L, 58_000_000L);
  }

  @Test
  void whatCannotFitIsSaid() {
    FitPlan plan = FitPlan.of(editor, TALK.clip(), 3_000_000);
    assertThat(plan.fits()).isFalse();
    assertThat(plan.speed()).isEqualTo(FitPlan.FASTEST);
  }

  @Test
  void secondAttemptsGoAndTheLastStays() {
    ClipDocument clip = editor.pareRepeats(TALK.clip());
    assertThat(clip.removals()).hasSize(1);
    assertThat(clip.removals().get(0).reason()).isEqualTo(Reason.REPEAT);
    assertThat(clip.removals().get(0).text()).startsWith("the ice came up");
    assertThat(editor.repeats(clip)).isEmpty();
    ClipDocument other = editor.keepAttempt(clip, editor.repeats(TALK.clip()).get(0), 0);
    assertThat(other.removals()).hasSize(1);
    assertThat(other.removals().get(0).text()).contains("stopped the wheel");
    assertThat(Parings.of(other, CutList.of(other, TALK.transcript())).byReason()).containsOnlyKeys(Reason.REPEAT);
  }

  @Test
  void aSinglePauseGoesAndLeavesRoomAroundSpeech() {
    int word = 6;
    ClipDocument clip = editor.parePauseAfter(TALK.clip(), word);
    Span gap = new Span(TALK.transcript().words().get(word).endUs(), TALK.transcript().words().get(word + 1).startUs());
    assertThat(clip.removals()).hasSize(1);
    assertThat(clip.removals().get(0).reason()).isEqualTo(Reason.PAUSE);
    assertThat(clip.removals().get(0).span()).isEqualTo(new Span(gap.startUs() + 150_000, gap.endUs() - 20_000));
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> editor.parePauseAfter(TALK.clip(), 2)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aCutIsMovedByHandAndKeepsItsReason() {
    ClipDocument clip = editor.pareWords(TALK.clip(), 1, 2);
    long id = clip.removals().get(0).id();
    Span wider = new Span(clip.removals().get(0).span().startUs() - 40_000, clip.removals().get(0).span().endUs() + 40_000);
    ClipDocument moved = editor.moveCut(clip, id, wider);
    assertThat(moved.removals()).hasSize(1);
    assertThat(moved.removals().get(0).span()).isEqualTo(wider);
    assertThat(moved.removals().get(0).reason()).isEqualTo(Reason.BY_HAND);
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> editor.moveCut(clip, id, new Span(5, 6))).isInstanceOf(IllegalArgumentException.class);
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> editor.moveCut(clip, 99, wider)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void twoStatesAreComparedWordByWord() {
    ClipDocument whole = TALK.clip();
    ClipDocument pared = editor.pareWords(whole, 0, 1);
    Comparison comparison = Comparison.of(whole, pared, TALK.transcript());
    assertThat(comparison.words()).hasSize(TALK.transcript().words().size());
    assertThat(comparison.words().get(0).inFirst()).isTrue();
    assertThat(comparison.words().get(0).inSecond()).isFalse();
    assertThat(comparison.words().get(5).inSecond()).isTrue();
    assertThat(comparison.secondLengthUs()).isLessThan(comparison.firstLengthUs());
  }
}
