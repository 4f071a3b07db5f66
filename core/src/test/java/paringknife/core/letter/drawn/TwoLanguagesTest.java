package paringknife.core.letter.drawn;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import paringknife.core.letter.cue.Cue;
import paringknife.core.time.Span;

class TwoLanguagesTest {
  private static final Canvas UPRIGHT = new Canvas(1080, 1920, SafeArea.VERTICAL);
  private static final Span WHEN = new Span(0, 2_000_000);
  private static final Pattern EVENT =
      Pattern.compile("Dialogue: 3,[^,]*,[^,]*,(\\w+),,.*\\\\(?:pos|move)\\(([\\d.]+),([\\d.]+)");

  static List<Lettering> letterings() {
    return Letterings.all();
  }

  /** In every lettering, with as many lines as there may be. */
  @ParameterizedTest
  @MethodSource("letterings")
  void theyStandOneAboveTheOther(Lettering lettering) {
    AssScript.Part english =
        new AssScript.Part(
            lettering.style(), List.of(Cue.given(WHEN, "Nobody rang\nthe bell\nthat night.")));
    AssScript.Part german =
        new AssScript.Part(
            lettering.style(),
            List.of(Cue.given(WHEN, "Niemand läutete\ndie Glocke\nin jener Nacht.")));
    String script = new TwoLanguages(UPRIGHT, english, german).write(Obstacles.NONE);
    List<Double> lower = bottoms(script, "Text", "Lower");
    List<Double> upper = bottoms(script, "Text2", "Lower2");
    assertThat(lower).isNotEmpty();
    assertThat(upper).isNotEmpty();
    double size = lettering.style().face().size();
    double top = lower.stream().mapToDouble(d -> d).min().orElseThrow() - size;
    assertThat(upper).allMatch(bottom -> bottom <= top + 1, "above " + top);
    assertThat(upper).allMatch(bottom -> bottom > 1920 * SafeArea.VERTICAL.top());
    assertThat(
            bottoms(
                new AssScript(lettering.style(), UPRIGHT).write(english.cues()), "Text", "Lower"))
        .as("the first stands where it does by itself")
        .isEqualTo(lower);
  }

  private static List<Double> bottoms(String script, String... styles) {
    List<Double> bottoms = new ArrayList<>();
    Matcher event = EVENT.matcher(script);
    while (event.find()) {
      if (List.of(styles).contains(event.group(1))) {
        bottoms.add(Double.parseDouble(event.group(3)));
      }
    }
    return bottoms;
  }
}
