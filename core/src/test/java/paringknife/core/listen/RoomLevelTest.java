package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;

class RoomLevelTest {
  private static final Talk TALK =
      new Talk()
          .speaker("A")
          .say("The mill stands still.")
          .pause(1.5)
          .say("Nobody comes by.")
          .pause(2)
          .say("So it goes.");

  private static LevelCurve inRoomOf(double db) {
    float[] dbfs = TALK.levels().dbfs().clone();
    for (int i = 0; i < dbfs.length; i++) {
      dbfs[i] = (float) Math.max(db, dbfs[i]);
    }
    return new LevelCurve(dbfs);
  }

  @Test
  void quietIsALittleAboveTheRoom() {
    assertThat(RoomLevel.quietBelowDb(TALK.levels(), TALK.transcript()))
        .isCloseTo(-58, within(0.5));
    assertThat(RoomLevel.quietBelowDb(inRoomOf(-32), TALK.transcript()))
        .isCloseTo(-30, within(0.5));
  }

  @Test
  void aRoomAsLoudAsTheVoiceSaysNothing() {
    assertThat(RoomLevel.quietBelowDb(inRoomOf(-18), TALK.transcript()))
        .isEqualTo(LevelCurve.FLOOR_DB);
  }

  @Test
  void talkWithoutAGapSaysNothing() {
    Talk breathless = new Talk().speaker("A").say("one two three four five six seven");
    assertThat(RoomLevel.quietBelowDb(breathless.levels(), breathless.transcript()))
        .isEqualTo(LevelCurve.FLOOR_DB);
  }

  @Test
  void aBumpBetweenWordsDoesNotRaiseIt() {
    float[] dbfs = TALK.levels().dbfs().clone();
    int gap = (int) ((TALK.transcript().words().get(3).endUs() + 400_000) / LevelCurve.WINDOW_US);
    Arrays.fill(dbfs, gap, gap + 12, -10);
    assertThat(RoomLevel.quietBelowDb(new LevelCurve(dbfs), TALK.transcript()))
        .isCloseTo(-58, within(0.5));
  }
}
