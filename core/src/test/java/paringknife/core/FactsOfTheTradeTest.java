package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.Limit;
import paringknife.core.listen.PauseSettings;
import paringknife.core.pare.PareEditor;
import paringknife.core.pare.Pared;
import paringknife.core.pare.RepeatGroup;
import paringknife.core.time.Span;

/** What producers take for granted, as values. All of it is common practice. */
class FactsOfTheTradeTest {
  private static final Talk TALK =
      new Talk()
          .speaker("Ada")
          .say("The tide was")
          .pause(0.9)
          .say("out and the wheel stood still.");

  private static long cutAway(double thresholdDb) {
    PareEditor editor = new PareEditor(TALK.transcript(), TALK.levels());
    PauseSettings settings = new PauseSettings(thresholdDb, 300_000, 20_000, 150_000);
    return editor.lengthUs(TALK.clip()) - editor.lengthUs(editor.parePauses(TALK.clip(), settings));
  }

  /** Common practice: -35 to -40 dBFS. */
  @Test
  void aThresholdNearerToZeroCutsMore() {
    assertThat(PauseSettings.DEFAULT.thresholdDb()).isBetween(-40.0, -35.0);
    List<Long> cut =
        Stream.of(-70.0, -40.0, -35.0, -10.0).map(FactsOfTheTradeTest::cutAway).toList();
    assertThat(cut).isSorted();
    assertThat(cut.get(3)).isGreaterThan(cut.get(0));
  }

  /** Common practice: 0.01 to 0.03 s before speech, at least 0.15 s after it. */
  @Test
  void speechKeepsALittleBeforeAndMoreAfterIt() {
    assertThat(PauseSettings.DEFAULT.headUs()).isBetween(10_000L, 30_000L);
    assertThat(PauseSettings.DEFAULT.tailUs()).isGreaterThanOrEqualTo(150_000);
  }

  /** Common practice: 63.35 s become 58 s at 1.092 times, two seconds within a limit of 60 s. */
  @Test
  void aClipALittleTooLongIsPlayedALittleFaster() {
    Pared clip = Pared.of(List.of(new Span(0, 63_350_000)));
    PareEditor editor = new PareEditor(TALK.transcript(), TALK.levels());
    double speed = 63.35 / 58;
    assertThat(Math.round(speed * 1_000)).isEqualTo(1_092);
    assertThat(editor.lengthUs(clip.withSpeed(1.092))).isBetween(57_950_000L, 58_050_000L);
    assertThat(60_000_000 - editor.lengthUs(clip.withSpeed(1.092)))
        .isBetween(1_950_000L, 2_050_000L);
  }

  /** Common practice: 60, 90 and 600 s. */
  @Test
  void destinationsTakeOneMinuteOneAndAHalfOrTen() {
    assertThat(
            DeliverySpecs.SHIPPED.all().stream()
                .flatMap(spec -> spec.limits().stream())
                .filter(Limit.Length.class::isInstance)
                .map(limit -> ((Limit.Length) limit).longestUs()))
        .contains(60_000_000L, 90_000_000L, 600_000_000L);
  }

  /** Common practice: the last attempt is the good one. */
  @Test
  void ofWhatIsSaidAgainTheLastIsKept() {
    Talk talk =
        new Talk()
            .speaker("Ada")
            .say("We had to carry the rope down the ladder at night.")
            .pause(0.8)
            .say("We had to carry the rope down the ladder at night.");
    PareEditor editor = new PareEditor(talk.transcript(), talk.levels());
    Pared pared = editor.repeats().pare(talk.clip());
    RepeatGroup group = editor.repeats().groupsIn(talk.clip()).get(0);
    assertThat(editor.repeats().isKept(pared, group.attempts().get(group.indexOfLast()))).isTrue();
    assertThat(editor.repeats().isKept(pared, group.attempts().get(0))).isFalse();
  }
}
