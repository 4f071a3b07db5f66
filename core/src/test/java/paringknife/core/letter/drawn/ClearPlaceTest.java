package paringknife.core.letter.drawn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.ShownFace;
import paringknife.core.frame.ShownText;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;

class ClearPlaceTest {
  private static final Canvas UPRIGHT = new Canvas(1080, 1920, SafeArea.VERTICAL);
  private static final Style STYLE = Letterings.SLUICE.style();
  private static final List<Cue> CUES =
      List.of(
          Cue.given(new Span(0, 1_000_000), "My uncle ran\nthe ferry"),
          Cue.given(new Span(1_000_000, 2_000_000), "below the mill."));

  private static Place among(Style style, ShownFace... faces) {
    return new ClearPlace(style, UPRIGHT, CUES).among(Obstacles.of(List.of(faces)));
  }

  private static ShownFace face(double y, double height) {
    return new ShownFace(0.3, y, 0.4, height);
  }

  @Test
  void captionsStandAboveWhatIsCoveredWhereNoFaceIs() {
    assertThat(among(STYLE, face(0.2, 0.25)).y()).isCloseTo(0.75, within(1e-9));
    assertThat(among(STYLE).y()).isCloseTo(0.75, within(1e-9));
  }

  /** Two stacked: the lower face is where captions would stand; between the two there is room. */
  @Test
  void captionsKeepClearOfAFaceThatIsLow() {
    Place place = among(STYLE, face(0.1, 0.2), face(0.58, 0.25));
    double height = CaptionLayout.of(CUES.get(0), STYLE, UPRIGHT).height() / 1920;
    assertThat(place.y()).isLessThanOrEqualTo(0.58 + 0.01);
    assertThat(place.y() - height).isGreaterThanOrEqualTo(0.3 - 0.01);
  }

  /** A logo at the foot of the picture: captions stand above it. */
  @Test
  void captionsKeepClearOfWhatStands() {
    Obstacles.StandingBox logo = new Obstacles.StandingBox(0.05, 0.68, 0.2, 0.1);
    Place place =
        new ClearPlace(STYLE, UPRIGHT, CUES).among(Obstacles.of(List.of(face(0.2, 0.2))).and(logo));
    assertThat(place.y()).isLessThanOrEqualTo(0.68 + 1e-9).isGreaterThan(0.6);
  }

  /** A name banner of the recording: whoever reads it cannot read captions over it. */
  @Test
  void captionsKeepClearOfTextInThePictureEvenWhereItIsThereForAWhileOnly() {
    for (double share : new double[] {1, 0.2}) {
      Obstacles seen =
          Obstacles.of(List.of(face(0.2, 0.2)))
              .andTexts(List.of(new ShownText(0.1, 0.69, 0.6, 0.05, share)));
      Place place = new ClearPlace(STYLE, UPRIGHT, CUES).among(seen);
      assertThat(place.y()).as("%s", share).isLessThanOrEqualTo(0.69 + 1e-9).isGreaterThan(0.6);
    }
  }

  @Test
  void aFaceThatFillsThePictureMovesNothingFar() {
    assertThat(among(STYLE, face(0.05, 0.9)).y()).isGreaterThan(0.6);
  }

  @Test
  void whatWasPutByHandStays() {
    Place low = new Place(0.5, 0.7);
    assertThat(among(STYLE.withPlace(low), face(0.6, 0.2))).isEqualTo(low);
  }
}
