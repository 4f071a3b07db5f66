package paringknife.core.clip;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
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
}
