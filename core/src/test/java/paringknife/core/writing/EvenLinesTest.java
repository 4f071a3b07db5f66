package paringknife.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class EvenLinesTest {
  @Test
  void aTextIsBrokenIntoLinesOfAboutTheSameLength() {
    assertThat(EvenLines.of("What the river leaves behind on the mill wheel", 20, 5))
        .containsExactly("What the river", "leaves behind on", "the mill wheel");
    assertThat(EvenLines.of("Ice", 20, 5)).containsExactly("Ice");
  }

  @Test
  void whatIsMoreThanFitsIsLeftOutAndShownToBe() {
    List<String> lines = EvenLines.of("one two three four five six seven", 4, 5);
    assertThat(lines).hasSize(5);
    assertThat(lines.get(4)).isEqualTo("five…");
  }
}
