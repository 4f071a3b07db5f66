package paringknife.core.pick;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.Talk;
import paringknife.core.transcript.Transcript;

class PieceFinderTest {
  private static final Transcript TAKES =
      new Talk()
          .speaker("M")
          .say("The gate hangs a little out of true and it, um.")
          .pause(1.5)
          .say("The gate hangs a little out of true. The water shuts it without a hand.")
          .pause(3.2)
          .say("Wool, then more wool. The mud always wins the first boot.")
          .pause(3)
          .say("A dry bearing sings like a kettle. Grease it while it still whispers.")
          .transcript();

  @Test
  void longBreaksPartTheRecordingAndShortOnesDoNot() {
    List<Piece> pieces = new PieceFinder(TAKES).byBreaks(2_500_000);
    assertThat(pieces).hasSize(3);
    assertThat(pieces.get(0).attempts()).isEqualTo(1);
    assertThat(pieces.get(1).title()).isEqualTo("Wool, then more wool");
    assertThat(pieces.get(2).last()).isEqualTo(TAKES.words().size() - 1);
  }

  @Test
  void scriptsFindTheirPiecesWithAllAttemptsWhateverTheirOrder() {
    String scripts =
        "Bearings\nA dry bearing sings like a kettle. Grease it while it still whispers.\n\nThe gate hangs a little out of true. The water shuts it without a hand.\n\nNobody ever reads this aloud in the recording at all.";
    List<Piece> pieces = new PieceFinder(TAKES).byScripts(scripts);
    assertThat(pieces).hasSize(2);
    assertThat(pieces.get(0).title()).isEqualTo("Bearings");
    assertThat(TAKES.text(pieces.get(0).first(), pieces.get(0).last() + 1))
        .startsWith("A dry bearing")
        .endsWith("still whispers.");
    assertThat(pieces.get(1).attempts()).isEqualTo(1);
    assertThat(TAKES.text(pieces.get(1).first(), pieces.get(1).last() + 1))
        .startsWith("The gate hangs a little out of true and it")
        .endsWith("without a hand.");
    assertThat(pieces.get(1).matched()).isGreaterThan(0.9);
  }

  @Test
  void nothingSaidHasNoPieces() {
    PieceFinder nothing = new PieceFinder(new Transcript("en", List.of(), List.of()));
    assertThat(nothing.byBreaks(2_000_000)).isEmpty();
    assertThat(nothing.byScripts("One script.")).isEmpty();
  }
}
