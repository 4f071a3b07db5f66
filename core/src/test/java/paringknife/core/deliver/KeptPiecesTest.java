package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PlacedGap;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

class KeptPiecesTest {
  private static final FrameRate RATE = new FrameRate(25, 1);

  @Test
  void aPieceThatAGapPartsIsOnePieceStillAndHandlesStopAtTheEnds() {
    CutList cuts =
        new CutList(
            List.of(
                new Span(100_000, 900_000),
                new Span(900_000, 2_000_000),
                new Span(5_000_000, 7_950_000)),
            List.of(),
            List.of(new PlacedGap(1, 0, 500_000)));
    assertThat(new KeptPieces(true, 5).spans(cuts, RATE, 8_000_000))
        .containsExactly(new Span(0, 2_200_000), new Span(4_800_000, 8_000_000));
    assertThat(new KeptPieces(true, 0).spans(cuts, RATE, 8_000_000))
        .containsExactly(new Span(100_000, 2_000_000), new Span(5_000_000, 7_950_000));
  }

  @Test
  void theyAreNamedWhereSpecsAreAndReadBack() {
    for (KeptPieces pieces :
        List.of(new KeptPieces(false, 0), new KeptPieces(true, 0), new KeptPieces(true, 500))) {
      assertThat(KeptPieces.byId(pieces.id())).contains(pieces);
    }
    assertThat(new KeptPieces(false, 12))
        .as("joined pieces have no handles")
        .isEqualTo(new KeptPieces(false, 0));
    for (DeliverySpec spec : DeliverySpecs.SHIPPED.all()) {
      assertThat(KeptPieces.byId(spec.id())).isEmpty();
    }
    assertThat(KeptPieces.byId("kept-each-501x")).isEmpty();
    assertThatThrownBy(() -> new KeptPieces(true, 501))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
