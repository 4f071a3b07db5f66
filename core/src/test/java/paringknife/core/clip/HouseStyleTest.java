package paringknife.core.clip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Layout;
import paringknife.core.frame.Shape;
import paringknife.core.letter.Lettered;
import paringknife.core.time.Span;

class HouseStyleTest {
  private static final ClipDocument CLIP =
      ClipDocument.of(
          List.of(new Span(0, 5_000_000)),
          Framed.UPRIGHT,
          Lettered.in("sluice"),
          new Delivered("One", List.of()));

  @Test
  void theGroundBehindPeopleIsPartOfIt() {
    HouseStyle recorded = HouseStyle.of(CLIP);
    ClipDocument soft = CLIP.with(CLIP.framed().withBehind(Ground.SOFT));
    HouseStyle style = HouseStyle.of(soft);
    assertThat(style.changes(CLIP)).containsExactly(HouseStyle.Part.GROUND);
    assertThat(style.changes(soft)).isEmpty();
    assertThat(style.on(CLIP)).isEqualTo(style.on(soft));
    assertThat(style.on(CLIP).framed().behind()).isEqualTo(Ground.SOFT);
    assertThat(recorded.on(soft).framed().behind()).isNull();
  }

  /** A style without one leaves a clip its own; nothing shows a picture that is not there. */
  @Test
  void theBackdropGoesAlong() {
    Backdrop sea = new Backdrop("5ea0".repeat(16), 0.5625);
    Backdrop moor = new Backdrop("0".repeat(64), 2);
    ClipDocument before = CLIP.with(CLIP.framed().with(sea).withBehind(Ground.PICTURE));
    ClipDocument other = CLIP.with(CLIP.framed().with(moor));
    HouseStyle style = HouseStyle.of(before);
    assertThat(style.changes(other)).containsExactly(HouseStyle.Part.GROUND);
    assertThat(style.on(other).framed().shownBackdrop()).isEqualTo(sea);
    ClipDocument own = HouseStyle.of(CLIP).on(other);
    assertThat(own.framed().backdrop()).isEqualTo(moor);
    assertThat(own.framed().shownBackdrop()).as("nothing shows it").isNull();
    assertThat(HouseStyle.of(CLIP).changes(other)).isEmpty();
    Framed whole = other.framed().with(new Shape(9, 16), new Layout.Whole(Ground.PICTURE));
    assertThat(whole.shownBackdrop()).isEqualTo(moor);
    assertThatIllegalArgumentException()
        .isThrownBy(() -> CLIP.framed().withBehind(Ground.PICTURE))
        .withMessageContaining("Choose a picture");
    assertThatIllegalArgumentException()
        .isThrownBy(() -> CLIP.framed().with(new Shape(9, 16), new Layout.Whole(Ground.PICTURE)));
    for (String wrong : List.of("", "../x", "A".repeat(64), "0".repeat(65))) {
      assertThatIllegalArgumentException().isThrownBy(() -> new Backdrop(wrong, 1));
    }
    for (double wrong : new double[] {0, -1, 21, 0.01, Double.NaN}) {
      assertThatIllegalArgumentException().isThrownBy(() -> new Backdrop("0".repeat(64), wrong));
    }
  }
}
