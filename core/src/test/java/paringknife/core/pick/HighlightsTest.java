package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.Talk;
import paringknife.core.transcript.Transcript;
import paringknife.core.transcript.Word;

/** A share of an episode as one clip, and what is said where picking has little to go by. */
class HighlightsTest {
  private static final String[] SAID = {
    "The gate went out with the ice in the night.",
    "Nobody heard it go.",
    "We found it in the spring three miles down the shore.",
    "A man was using it as a table.",
    "He asked for a sack of flour.",
    "That is a fair price for a table, I thought.",
    "So we paid him and carried it home on a cart."
  };

  private static Talk talk() {
    Talk talk = new Talk();
    for (int i = 0; i < 84; i++) {
      talk.speaker(i / 5 % 2 == 0 ? "Ada" : "Ben")
          .say(SAID[(i * 5 + i / 7) % SAID.length])
          .pause(0.4);
    }
    return talk;
  }

  private static Brief share(double share) {
    return new Brief(3, 15_000_000, 50_000_000, List.of(), List.of(), List.of(), share, List.of());
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.05, 0.2, 0.5})
  void theShareIsFilledAndKeptInOrder(double share) {
    Talk talk = talk();
    Transcript transcript = talk.transcript();
    List<Pick> picks =
        new PickFinder(transcript, talk.levels(), new EnglishForms()).highlights(share(share));
    long all = transcript.words().get(transcript.words().size() - 1).endUs();
    long taken = picks.stream().mapToLong(Pick::paredUs).sum();
    assertThat(taken).isLessThanOrEqualTo(Math.round(share * all));
    assertThat(taken).isGreaterThan(Math.round(share * all * 0.6) - 5_000_000);
    for (int i = 0; i < picks.size(); i++) {
      assertThat(i == 0 || picks.get(i).first() > picks.get(i - 1).last()).isTrue();
      assertThat(transcript.words().get(picks.get(i).last()).endsSentence()).isTrue();
      assertThat(picks.get(i).reasons()).isNotEmpty();
    }
    assertThat(
            new PickFinder(transcript, talk.levels(), new EnglishForms()).highlights(share(share)))
        .isEqualTo(picks);
  }

  @Test
  void aSentenceAsksForAShare() {
    BriefSentence.Understood read =
        BriefSentence.read("a summary of 20 % without money", Brief.DEFAULT);
    assertThat(read.brief().share()).isEqualTo(0.2);
    assertThat(read.understood()).contains("20 % of the episode as one clip", "not about money");
    assertThat(BriefSentence.read("a quarter of the episode", Brief.DEFAULT).brief().share())
        .isEqualTo(0.25);
    assertThat(BriefSentence.read("three clips under a minute", share(0.2)).brief().share())
        .as("single picks again")
        .isNull();
  }

  @Test
  void aSpeakerWhoHasOnlyANumberIsCalledByIt() {
    Talk talk =
        new Talk()
            .speaker("Speaker 1")
            .say("How did you begin with the bees?")
            .speaker("Speaker 2")
            .say("My neighbour gave me a box. I thought it was empty. Then I heard it humming.");
    List<Pick> picks =
        new PickFinder(talk.transcript(), talk.levels(), new EnglishForms())
            .find(new Brief(1, 3_000_000, 20_000_000, List.of()));
    assertThat(String.join("; ", picks.get(0).reasons())).contains("Speaker 1 starts to speak");
  }

  @Test
  void whatPickingCannotGoByIsSaid() {
    Talk talk = talk();
    assertThat(PickLimits.of(talk.transcript())).isEmpty();
    List<Word> bare =
        talk.transcript().words().stream()
            .map(w -> new Word(w.id(), w.bare(), w.startUs(), w.endUs(), 0, 1))
            .toList();
    List<String> limits = PickLimits.of(new Transcript("cy", List.of("Ada"), bare));
    assertThat(limits).hasSize(3);
    assertThat(limits.get(0)).contains("Welsh");
    assertThat(limits.get(1)).contains("hardly any full stops");
    assertThat(limits.get(2)).contains("Only one speaker");
    assertThat(PickLimits.of(new Transcript("en", List.of(), List.of())))
        .singleElement()
        .asString()
        .contains("no words yet");
    assertThat(
            PickLimits.of(
                new Talk().speaker("Ada").say("Yes.").speaker("Ben").say("No.").transcript()))
        .singleElement()
        .asString()
        .contains("less than a minute");
  }
}
