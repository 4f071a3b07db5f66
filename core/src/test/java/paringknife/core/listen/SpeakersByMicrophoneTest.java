package paringknife.core.listen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.listen.SpeakersByMicrophone.Microphone;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

class SpeakersByMicrophoneTest {
  private final Talk talk =
      new Talk()
          .speaker("x")
          .say("How did it begin")
          .pause(0.5)
          .say("With the ice. It came")
          .pause(0.5)
          .say("Right")
          .pause(0.2)
          .say("in one night.");
  private final Transcript transcript = talk.transcript();

  /** What one microphone hears: its speaker's words loud, the others' as quieter bleed. */
  private float[] heard(float own, float bleed, int... ownWords) {
    float[] dbfs = new float[talk.levels().windows()];
    Arrays.fill(dbfs, -65);
    for (Word word : transcript.words()) {
      boolean mine = Arrays.stream(ownWords).anyMatch(w -> w == word.id());
      Arrays.fill(
          dbfs, (int) (word.startUs() / 10_000), (int) (word.endUs() / 10_000), mine ? own : bleed);
    }
    return dbfs;
  }

  private static Microphone microphone(float[] levels, String speaker) {
    return new Microphone(new LevelCurve(levels), Placement.SAME, speaker);
  }

  private List<Integer> speakers(Microphone... microphones) {
    return SpeakersByMicrophone.assign(transcript, List.of(microphones)).words().stream()
        .map(Word::speaker)
        .toList();
  }

  private static final int[] HOST = {0, 1, 2, 3, 9};
  private static final int[] GUEST = {4, 5, 6, 7, 8, 10, 11, 12};

  @Test
  void everyWordIsWhoseMicrophoneIsLoudest() {
    assertThat(
            speakers(
                microphone(heard(-15, -35, HOST), "Ada"),
                microphone(heard(-15, -35, GUEST), "Ben")))
        .containsExactly(0, 0, 0, 0, 1, 1, 1, 1, 1, 0, 1, 1, 1);
  }

  @Test
  void aMicrophoneTurnedUpDoesNotTakeTheOthersWords() {
    assertThat(
            speakers(
                microphone(heard(-30, -48, HOST), "Ada"), microphone(heard(-6, -28, GUEST), "Ben")))
        .containsExactly(0, 0, 0, 0, 1, 1, 1, 1, 1, 0, 1, 1, 1);
  }

  @Test
  void aWordHardlyLouderElsewhereStaysWithThoseAroundIt() {
    float[] host = heard(-15, -35, HOST);
    float[] guest = heard(-15, -35, GUEST);
    Word doubtful = transcript.words().get(6);
    Arrays.fill(host, (int) (doubtful.startUs() / 10_000), (int) (doubtful.endUs() / 10_000), -14);
    assertThat(speakers(microphone(host, "Ada"), microphone(guest, "Ben"))).element(6).isEqualTo(1);
    Arrays.fill(host, (int) (doubtful.startUs() / 10_000), (int) (doubtful.endUs() / 10_000), -5);
    assertThat(speakers(microphone(host, "Ada"), microphone(guest, "Ben"))).element(6).isEqualTo(0);
  }

  @Test
  void aMicrophoneIsReadWhereItWasLinedUp() {
    float[] guest = heard(-15, -35, GUEST);
    float[] late = Arrays.copyOfRange(guest, 200, guest.length);
    assertThat(
            speakers(
                microphone(heard(-15, -35, HOST), "Ada"),
                new Microphone(new LevelCurve(late), new Placement(2_000_000, 0, 1), "Ben")))
        .startsWith(0, 0, 0, 0)
        .endsWith(1, 0, 1, 1, 1);
  }

  @Test
  void namesTimesAndIdentitiesAreKept() {
    Transcript assigned =
        SpeakersByMicrophone.assign(
            transcript,
            List.of(
                microphone(heard(-15, -35, HOST), "Ada"),
                microphone(heard(-15, -35, GUEST), "Ben")));
    assertThat(assigned.speakers()).containsExactly("Ada", "Ben");
    assertThat(assigned.words())
        .usingRecursiveFieldByFieldElementComparatorIgnoringFields("speaker")
        .isEqualTo(transcript.words());
  }
}
