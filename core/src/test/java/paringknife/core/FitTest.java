package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.Reason;
import paringknife.core.clip.cut.Removal;
import paringknife.core.listen.LevelCurve;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.Comparison;
import paringknife.core.pare.FitPlan;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.pare.Parings;
import paringknife.core.pare.RemovalKind;
import paringknife.core.pare.Way;
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

  private final PareEditor editor = new PareEditor(TALK.transcript(), TALK.levels());

  @Test
  void theLeastHarmGoesFirstAndEveryStepSaysWhatItGives() {
    Pared clip = TALK.clip();
    FitPlan plan = FitPlan.of(editor, clip, 9_000_000);
    assertThat(plan.steps())
        .extracting(FitPlan.Step::kind)
        .startsWith(Way.PAUSES, Way.SURE_FILLERS, Way.REPEATS);
    long length = plan.lengthUs();
    for (FitPlan.Step step : plan.steps()) {
      if (step.kind() != Way.SPEED) {
        assertThat(step.lengthAfterUs()).isEqualTo(length - step.gainUs());
        length = step.lengthAfterUs();
      }
    }
    List<Way> needed =
        plan.steps().stream().filter(FitPlan.Step::needed).map(FitPlan.Step::kind).toList();
    Pared fitted = plan.apply(editor, clip, needed);
    assertThat(plan.fits()).isTrue();
    assertThat(editor.lengthUs(fitted)).isLessThanOrEqualTo(9_000_000);
  }

  /** No more goes than is needed, and the longest pauses first. */
  @Test
  void aStepStopsWhereTheTargetIsReached() {
    Pared clip = TALK.clip();
    FitPlan.Step first = FitPlan.of(editor, clip, editor.lengthUs(clip) - 1_000_000).steps().get(0);
    assertThat(first.kind()).isEqualTo(Way.PAUSES);
    assertThat(first.taken()).isEqualTo(1);
    assertThat(first.found()).isGreaterThan(1);
    assertThat(first.gainUs()).isGreaterThan(1_500_000);
    assertThat(
            FitPlan.of(editor, clip, editor.lengthUs(clip) - 1_000_000)
                .apply(editor, clip, List.of(Way.PAUSES))
                .removals())
        .hasSize(1);
  }

  /**
   * What only goes because the clip is too long has a reason of its own, and comes back at once.
   */
  @Test
  void whatWouldHaveStayedGoesToFit() {
    Pared clip = TALK.clip();
    List<Way> all = List.of(Way.PAUSES, Way.SURE_FILLERS, Way.TIGHTER_PAUSES);
    Pared fitted = FitPlan.of(editor, clip, 1_000_000).apply(editor, clip, all);
    assertThat(fitted.removals()).extracting(Removal::reason).contains(Reason.TO_FIT);
    Pared usual = FitPlan.of(editor, clip, 1_000_000).apply(editor, clip, all.subList(0, 2));
    assertThat(editor.cuts(editor.putBack(fitted, Reason.TO_FIT)).kept())
        .isEqualTo(editor.cuts(usual).kept());
  }

  /** Each kind has a name and a reason of its own, and each way but speed is found by one kind. */
  @Test
  void everyWayBelongsToOneKind() {
    assertThat(RemovalKind.ALL).extracting(RemovalKind::reason).containsExactly(Reason.values());
    assertThat(RemovalKind.ALL).extracting(RemovalKind::called).doesNotHaveDuplicates();
    assertThat(RemovalKind.ALL.stream().flatMap(k -> k.ways().keySet().stream()))
        .containsExactlyInAnyOrder(
            Way.PAUSES, Way.SURE_FILLERS, Way.REPEATS, Way.TIGHTER_PAUSES, Way.DOUBTFUL_FILLERS);
  }

  @Test
  void aDeclinedWayLeavesTheRestToTheOthers() {
    Pared clip = TALK.clip();
    FitPlan all = FitPlan.of(editor, clip, 9_000_000);
    FitPlan plan = FitPlan.of(editor, clip, 9_000_000, java.util.Set.of(Way.REPEATS));
    assertThat(plan.steps())
        .filteredOn(FitPlan.Step::declined)
        .extracting(FitPlan.Step::kind)
        .containsExactly(Way.REPEATS);
    assertThat(plan.speed()).isGreaterThanOrEqualTo(all.speed());
    List<Way> chosen =
        plan.steps().stream()
            .filter(s -> s.needed() && !s.declined())
            .map(FitPlan.Step::kind)
            .toList();
    Pared fitted = plan.apply(editor, clip, chosen);
    assertThat(Parings.of(fitted, fitted.cuts(TALK.transcript())).byReason())
        .doesNotContainKey(Reason.REPEAT);
    assertThat(editor.lengthUs(fitted) <= 9_000_000).isEqualTo(plan.fits());
  }

  /**
   * A room louder than the usual threshold hides no pause from the plan; one as loud as the voice
   * is left alone.
   */
  @Test
  void aLoudRoomHasPausesToo() {
    float[] loud = TALK.levels().dbfs();
    for (int i = 0; i < loud.length; i++) {
      loud[i] = Math.max(loud[i], -30 + i % 3);
    }
    PareEditor inLoudRoom = new PareEditor(TALK.transcript(), new LevelCurve(loud));
    assertThat(inLoudRoom.pauses(TALK.clip(), PauseSettings.DEFAULT)).isEmpty();
    assertThat(inLoudRoom.quietBelowDb()).isBetween(-28.0, -23.0);
    assertThat(FitPlan.of(inLoudRoom, TALK.clip(), 3_000_000).steps().get(0).found())
        .isEqualTo(FitPlan.of(editor, TALK.clip(), 3_000_000).steps().get(0).found());
    java.util.Arrays.fill(loud, -16);
    assertThat(new PareEditor(TALK.transcript(), new LevelCurve(loud)).quietBelowDb())
        .isEqualTo(LevelCurve.FLOOR_DB);
    assertThat(PauseSettings.DEFAULT.inRoom(editor.quietBelowDb()))
        .as("a quiet room lowers nothing")
        .isEqualTo(PauseSettings.DEFAULT);
  }

  /** Common practice: 63.35 s brought to 58 s by speed alone is 1.092 times. */
  @Test
  void speedAloneIsWhatTheTradeReckons() {
    long us = 63_350_000;
    Pared clip = Pared.of(List.of(new Span(0, us)));
    Talk silent = new Talk().speaker("A");
    PareEditor nothingToCut =
        new PareEditor(silent.transcript(), new paringknife.core.listen.LevelCurve(new float[0]));
    FitPlan plan = FitPlan.of(nothingToCut, clip, 58_000_000);
    assertThat(plan.speed()).isCloseTo(1.0925, within(0.001));
    assertThat(plan.fits()).isTrue();
    Pared faster = plan.apply(nothingToCut, clip, List.of(Way.SPEED));
    assertThat(nothingToCut.lengthUs(faster)).isBetween(57_900_000L, 58_000_000L);
  }

  @Test
  void whatCannotFitIsSaid() {
    FitPlan plan = FitPlan.of(editor, TALK.clip(), 3_000_000);
    assertThat(plan.fits()).isFalse();
    assertThat(plan.speed()).isEqualTo(Pared.FASTEST);
  }

  @Test
  void secondAttemptsGoAndTheLastStays() {
    Pared clip = editor.repeats().pare(TALK.clip());
    assertThat(clip.removals()).hasSize(1);
    assertThat(clip.removals().get(0).reason()).isEqualTo(Reason.REPEAT);
    assertThat(clip.removals().get(0).text()).startsWith("the ice came up");
    assertThat(editor.repeats().in(clip)).isEmpty();
    Pared other = editor.repeats().keepAttempt(clip, editor.repeats().in(TALK.clip()).get(0), 0);
    assertThat(other.removals()).hasSize(1);
    assertThat(other.removals().get(0).text()).contains("stopped the wheel");
    assertThat(Parings.of(other, other.cuts(TALK.transcript())).byReason())
        .containsOnlyKeys(Reason.REPEAT);
  }

  @Test
  void aSinglePauseGoesAndLeavesRoomAroundSpeech() {
    int word = 6;
    Pared clip = editor.parePauseAfter(TALK.clip(), word);
    Span gap =
        new Span(
            TALK.transcript().words().get(word).endUs(),
            TALK.transcript().words().get(word + 1).startUs());
    assertThat(clip.removals()).hasSize(1);
    assertThat(clip.removals().get(0).reason()).isEqualTo(Reason.PAUSE);
    assertThat(clip.removals().get(0).span())
        .isEqualTo(new Span(gap.startUs() + 150_000, gap.endUs() - 20_000));
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> editor.parePauseAfter(TALK.clip(), 2))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aCutIsMovedByHandAndKeepsItsReason() {
    Pared clip = editor.pareWords(TALK.clip(), 1, 2);
    long id = clip.removals().get(0).id();
    Span wider =
        new Span(
            clip.removals().get(0).span().startUs() - 40_000,
            clip.removals().get(0).span().endUs() + 40_000);
    Pared moved = editor.moveCut(clip, id, wider);
    assertThat(moved.removals()).hasSize(1);
    assertThat(moved.removals().get(0).span()).isEqualTo(wider);
    assertThat(moved.removals().get(0).reason()).isEqualTo(Reason.BY_HAND);
    org.assertj.core.api.Assertions.assertThatThrownBy(
            () -> editor.moveCut(clip, id, new Span(5, 6)))
        .isInstanceOf(IllegalArgumentException.class);
    org.assertj.core.api.Assertions.assertThatThrownBy(() -> editor.moveCut(clip, 99, wider))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /** A pause widened over a word takes the word with it, and the tray has to say so. */
  @Test
  void aPauseWidenedOverAWordSaysTheWord() {
    Pared clip = editor.parePauseAfter(TALK.clip(), 6);
    long id = clip.removals().get(0).id();
    assertThat(clip.removals().get(0).text()).isEmpty();
    var next = TALK.transcript().words().get(7);
    Pared wider =
        editor.moveCut(
            clip, id, new Span(clip.removals().get(0).span().startUs(), next.endUs() + 20_000));
    assertThat(wider.removals().get(0).reason()).isEqualTo(Reason.PAUSE);
    assertThat(wider.removals().get(0).text()).isEqualTo(next.text());
    assertThat(editor.moveCut(wider, id, clip.removals().get(0).span())).isEqualTo(clip);
  }

  @Test
  void twoStatesAreComparedWordByWord() {
    Pared whole = TALK.clip();
    Pared pared = editor.pareWords(whole, 0, 1);
    Comparison comparison = Comparison.of(whole, pared, TALK.transcript());
    assertThat(comparison.words()).hasSize(TALK.transcript().words().size());
    assertThat(comparison.words().get(0).inFirst()).isTrue();
    assertThat(comparison.words().get(0).inSecond()).isFalse();
    assertThat(comparison.words().get(5).inSecond()).isTrue();
    assertThat(comparison.secondLengthUs()).isLessThan(comparison.firstLengthUs());
  }
}
