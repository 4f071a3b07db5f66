package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

class RoomToneFinderTest {
  private final Talk talk =
      new Talk()
          .speaker("Ada")
          .say("One two three.")
          .pause(2)
          .say("Four five six.")
          .pause(2)
          .say("Seven eight.")
          .pause(1);
  private final Transcript transcript = talk.transcript();

  private float[] levels() {
    return talk.levels().dbfs();
  }

  private static void fill(float[] levels, double from, double to, float db) {
    Arrays.fill(levels, (int) (from * 100), (int) (to * 100), db);
  }

  @Test
  void theToneLiesBetweenWordsAndHasNoBumpInIt() {
    float[] levels = levels();
    fill(levels, 2.4, 2.5, -12);
    RoomTone tone =
        new RoomToneFinder(new LevelCurve(levels), transcript).near(1_700_000).orElseThrow();
    assertThat(transcript.words()).noneMatch(w -> w.span().overlaps(tone.span()));
    assertThat(tone.span().overlaps(new Span(2_400_000, 2_500_000))).isFalse();
    assertThat(tone.levelDb()).isEqualTo(-60);
  }

  @Test
  void theQuieterIsTakenAndOfAlikeOnesTheNearer() {
    float[] levels = levels();
    fill(levels, 1.6, 3.5, -48);
    assertThat(
            new RoomToneFinder(new LevelCurve(levels), transcript)
                .near(1_700_000)
                .orElseThrow()
                .levelDb())
        .isEqualTo(-60);
    RoomToneFinder even = new RoomToneFinder(talk.levels(), transcript);
    assertThat(even.near(1_700_000).orElseThrow().span().startUs()).isLessThan(3_600_000);
    assertThat(even.near(7_000_000).orElseThrow().span().startUs()).isGreaterThan(4_000_000);
  }

  @Test
  void digitalSilenceIsTheRoomOnlyWhereThereIsNoOther() {
    float[] levels = levels();
    fill(levels, 0, 0.5, -120);
    assertThat(
            new RoomToneFinder(new LevelCurve(levels), transcript)
                .near(100_000)
                .orElseThrow()
                .levelDb())
        .isEqualTo(-60);
    float[] gated = levels();
    for (int i = 0; i < gated.length; i++) {
      gated[i] = gated[i] < -50 ? -120 : gated[i];
    }
    assertThat(
            new RoomToneFinder(new LevelCurve(gated), transcript)
                .near(100_000)
                .orElseThrow()
                .levelDb())
        .isEqualTo(-120);
  }

  @Test
  void wordsWithoutABreathBetweenThemHaveNone() {
    Talk breathless = new Talk().speaker("Ada").say("One two three four five six.");
    float[] levels = new float[breathless.levels().windows()];
    Arrays.fill(levels, -15);
    Transcript said = new Transcript("en", List.of("Ada"), breathless.transcript().words());
    float[] shortened = Arrays.copyOf(levels, (int) (said.words().get(5).endUs() / 10_000));
    assertThat(
            new RoomToneFinder(new LevelCurve(shortened), said)
                .before(said.words().get(5).endUs())
                .map(RoomTone::levelDb)
                .orElse(-15.0))
        .isEqualTo(-15);
  }
}
