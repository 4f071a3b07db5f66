package paringknife.core.transcript;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.time.Span;

/** Words of several recordings on one clock, and words carried over to another text. */
class AssembledTranscriptTest {
  @Test
  void wordsBringTheirTimesAndSpeakersAlong() {
    Transcript one =
        new Talk().speaker("Ada").say("One two").speaker("Ben").say("three four").transcript();
    Transcript two =
        new Talk().speaker("Ben").say("five six").speaker("Cyd").say("seven").transcript();
    Transcript all =
        AssembledTranscript.of(
            List.of(
                new AssembledTranscript.Piece(two, new Span(400_000, 1_700_000), 1_280_000),
                new AssembledTranscript.Piece(one, new Span(1_200_000, 2_000_000), 800_000)));
    assertThat(all.text(0, all.words().size())).isEqualTo("five six seven three four");
    assertThat(all.speakers()).containsExactly("Ben", "Cyd");
    assertThat(all.words().stream().map(w -> all.speakerName(w.speaker())))
        .containsExactly("Ben", "Ben", "Cyd", "Ben", "Ben");
    assertThat(all.words().get(0).startUs()).isEqualTo(100_000);
    assertThat(all.words().get(3).startUs()).isEqualTo(1_280_000 + 20_000);
    assertThat(all.paragraphChoices()).containsEntry(3L, true);
  }

  @Test
  void anotherTextKeepsTheIdentitiesOfWhatStays() {
    Transcript old = new Talk().speaker("Ada").say("The gate went out with the ice").transcript();
    Transcript fresh = new Talk().speaker("Ada").say("The old gate went with the ice").transcript();
    Transcript carried = CarriedOver.onto(old, new Transcript("en", List.of(), fresh.words()));
    assertThat(carried.text(0, 7)).isEqualTo("The old gate went with the ice");
    assertThat(carried.words().stream().map(Word::id)).containsExactly(0L, 7L, 1L, 2L, 4L, 5L, 6L);
    assertThat(carried.words()).allMatch(w -> w.speaker() == 0);
    Transcript untimed =
        CarriedOver.untimed(old, new Transcript("en", List.of(), fresh.words()), 4_000_000);
    assertThat(untimed.words().get(2).startUs())
        .as("where the old text has it")
        .isEqualTo(old.words().get(1).startUs());
  }
}
