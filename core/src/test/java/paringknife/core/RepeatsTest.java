package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.pare.FillerFinder;
import paringknife.core.pare.RepeatFinder;
import paringknife.core.pare.RepeatGroup;

class RepeatsTest {
  private static List<List<String>> found(Talk talk) {
    RepeatFinder finder = new RepeatFinder(talk.transcript(), FillerFinder.of(talk.transcript()));
    return finder.find().stream()
        .map(g -> g.attempts().stream().map(finder::text).toList())
        .toList();
  }

  @Test
  void aLineSaidAgainAfterAPauseIsASecondAttempt() {
    Talk talk =
        new Talk()
            .speaker("A")
            .say("Piece one. The gate hangs a little out of true and")
            .say("um.")
            .pause(1.6)
            .say("The gate hangs a little out of true, so it falls shut. That is all.");
    assertThat(found(talk))
        .containsExactly(
            List.of(
                "The gate hangs a little out of true and um.",
                "The gate hangs a little out of true, so it falls shut."));
  }

  @Test
  void threeAttemptsAreOneGroup() {
    Talk talk =
        new Talk()
            .speaker("A")
            .say("Face the way the water comes from and hold")
            .pause(1)
            .say("face the way the water comes and")
            .pause(1)
            .say("face the way the water comes from and hold the rope tight. Good.");
    List<List<String>> groups = found(talk);
    assertThat(groups).hasSize(1);
    assertThat(groups.get(0)).hasSize(3);
    assertThat(groups.get(0).get(2)).endsWith("the rope tight.");
  }

  @Test
  void anApologyTakesWhatStandsBetweenAlong() {
    Talk talk =
        new Talk()
            .speaker("A")
            .say(
                "Face the way the water comes from. Stand with your back to the stream, no, sorry.")
            .pause(1.7)
            .say("Face the way the water comes from. Keep one hand free.");
    assertThat(found(talk).get(0).get(0))
        .isEqualTo(
            "Face the way the water comes from. Stand with your back to the stream, no, sorry.");
  }

  @Test
  void stuttersAndFalseStartsWithoutAPauseAreFound() {
    assertThat(
            found(new Talk().speaker("A").say("When it turns, the water, the water leans on it.")))
        .containsExactly(List.of("the water,", "the water leans on it."));
    assertThat(found(new Talk().speaker("A").say("Then we went to the we went to the mill.")))
        .containsExactly(List.of("we went to the", "we went to the mill."));
  }

  @Test
  void whatIsMeantToBeSaidTwiceStays() {
    assertThat(
            found(
                new Talk().speaker("A").say("It was very, very good. No, no. A long, long time.")))
        .isEmpty();
    assertThat(
            found(
                new Talk().speaker("A").say("He went to the mill. He went to the mill every day.")))
        .isEmpty();
    assertThat(
            found(
                new Talk()
                    .speaker("A")
                    .say("The first column is the day. The second column is the hour.")))
        .isEmpty();
  }

  @Test
  void anEchoByAnotherSpeakerStays() {
    Talk talk =
        new Talk()
            .speaker("A")
            .say("Twenty three in the spring.")
            .pause(1)
            .speaker("B")
            .say("Twenty three in the spring. Thank you.");
    assertThat(found(talk)).isEmpty();
  }

  @Test
  void theAttemptKeptIsTheLastOrTheLongest() {
    RepeatGroup group =
        new RepeatGroup(
            List.of(
                new RepeatGroup.Attempt(0, 9),
                new RepeatGroup.Attempt(10, 12),
                new RepeatGroup.Attempt(13, 18)));
    assertThat(group.indexOfLast()).isEqualTo(2);
    assertThat(group.indexOfLongest()).isZero();
    assertThat(group.without(0)).containsExactly(group.attempts().get(1), group.attempts().get(2));
  }

  @Test
  void silenceAndNoWordsHaveNoRepeats() {
    assertThat(found(new Talk().speaker("A"))).isEmpty();
    assertThat(found(new Talk().speaker("A").say("One."))).isEmpty();
  }
}
