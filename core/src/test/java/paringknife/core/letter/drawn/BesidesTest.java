package paringknife.core.letter.drawn;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.frame.ShownFace;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.style.Style;
import paringknife.core.time.Span;

class BesidesTest {
  private static final Canvas UPRIGHT = new Canvas(1080, 1920, SafeArea.VERTICAL);
  private static final Style CAPTIONS = Letterings.SLUICE.style();
  private static final Style NAMES = Letterings.LECTERN.style();
  private static final Span WHOLE = new Span(0, 4_000_000);
  private static final AssScript.Part SAID =
      new AssScript.Part(CAPTIONS, List.of(Cue.given(WHOLE, "My uncle ran\nthe ferry")));
  private static final List<Cue> NAME = List.of(Cue.given(WHOLE, "Ada Winter"));

  /** Where the lines of a part stand: its upper and its lower edge. */
  private static double[] edges(AssScript.Part part) {
    double low = CaptionLayout.placeOf(part.style(), UPRIGHT).y();
    double height = new ClearPlace(part.style(), UPRIGHT, part.cues()).extent().height();
    double padding = CaptionLayout.padding(part.style(), UPRIGHT);
    return new double[] {low - height - padding, low + padding};
  }

  private static List<AssScript.Part> with(Obstacles obstacles, Beside... texts) {
    return new Besides(UPRIGHT).with(List.of(SAID), List.of(texts), obstacles);
  }

  private static void assertApart(AssScript.Part one, AssScript.Part other) {
    double[] a = edges(one);
    double[] b = edges(other);
    assertThat(a[1] <= b[0] + 1e-9 || b[1] <= a[0] + 1e-9)
        .as("%s to %s and %s to %s", a[0], a[1], b[0], b[1])
        .isTrue();
  }

  @Test
  void namesAndCallOutsKeepClearOfCaptionsAndOfOneAnother() {
    List<AssScript.Part> parts =
        with(Obstacles.NONE, new Beside(NAMES, NAME, false), new Beside(CAPTIONS, NAME, true));
    assertThat(parts).hasSize(3);
    assertApart(parts.get(0), parts.get(1));
    assertApart(parts.get(0), parts.get(2));
    assertApart(parts.get(1), parts.get(2));
    assertThat(edges(parts.get(2))[0]).as("high").isLessThan(0.3);
    for (AssScript.Part part : parts) {
      assertThat(edges(part)[1]).isLessThanOrEqualTo(1 - UPRIGHT.safe().bottom() + 1e-9);
    }
  }

  @Test
  void aCallOutGivesWayToAFaceThatIsHigh() {
    Obstacles face = Obstacles.of(List.of(new ShownFace(0.25, 0.1, 0.5, 0.3)));
    AssScript.Part callOut = with(face, new Beside(CAPTIONS, NAME, true)).get(1);
    assertThat(edges(callOut)[0]).isGreaterThan(0.39);
    assertApart(callOut, SAID);
  }

  @Test
  void textWithNothingToSayTakesNoRoom() {
    assertThat(with(Obstacles.NONE, new Beside(NAMES, List.of(), false))).containsExactly(SAID);
  }

  @Test
  void oneScriptDrawsAllOfThem() {
    String script = AssScript.write(UPRIGHT, with(Obstacles.NONE, new Beside(NAMES, NAME, false)));
    assertThat(script).contains("Style: Text2,Libre Franklin").contains(",Text2,,0,0,0,,");
    assertThat(script.lines().filter(l -> l.contains("Ada Winter"))).isNotEmpty();
  }
}
