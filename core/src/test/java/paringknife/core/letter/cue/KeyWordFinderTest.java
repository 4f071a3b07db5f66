package paringknife.core.letter.cue;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.letter.cue.KeyWordFinder.KeyWord;
import paringknife.core.letter.cue.KeyWordFinder.Why;

class KeyWordFinderTest {
  private static List<KeyWord> proposed(String said, String... subjects) {
    Talk talk = new Talk().speaker("Ada");
    talk.say(said);
    for (int i = 0; i < 40; i++) {
      talk.say("And then we went on and it was as it always is, and so on.");
    }
    List<Cue> cues =
        new CueBreaker(Breaking.of(7, 2, 32))
            .cues(talk.clip().cuts(talk.transcript()), talk.transcript());
    return new KeyWordFinder(talk.transcript(), Set.of(subjects)).propose(cues);
  }

  @Test
  void whatCarriesTheSentenceIsProposedWithItsReason() {
    List<KeyWord> words =
        proposed(
            "So one night in November the fog came in, and it was so thick that my uncle lost both"
                + " of his oars, and then he was out there for 14 hours with a lantern.",
            "lantern");
    assertThat(words)
        .contains(new KeyWord(4, "November", Why.NAME), new KeyWord(33, "lantern.", Why.SUBJECT));
    assertThat(words).anyMatch(w -> w.why() == Why.NUMBER || w.why() == Why.RARE);
  }

  @Test
  void theyAreNeverCloserThanSixWordsAndNoSentenceBeginsWithAName() {
    List<KeyWord> words =
        proposed("Harbour lantern ferry winter anchor rudder compass, wreckage quayside moorings.");
    assertThat(words).isNotEmpty();
    for (int i = 1; i < words.size(); i++) {
      assertThat(words.get(i).wordId() - words.get(i - 1).wordId()).isGreaterThanOrEqualTo(6);
    }
    assertThat(words).noneMatch(w -> w.why() == Why.NAME);
  }
}
