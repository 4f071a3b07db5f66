package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.util.EnumMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.deliver.NamePattern.Field;

class NamePatternTest {
  private static final Map<Field, String> VALUES =
      Map.of(
          Field.SHOW, "Slack Water",
          Field.EPISODE, "7: The winter_wheel",
          Field.CLIP, "Who owns a tide?",
          Field.SPEC, "wide",
          Field.NUMBER, "03",
          Field.SIZE, "1920x1080");

  @ParameterizedTest
  @CsvSource({
    "{show} {episode}_{clip}_{spec}, slack-water-7-the-winter-wheel_who-owns-a-tide_wide",
    "{NUMBER}_{clip}, 03_who-owns-a-tide",
    "{ size }, 1920x1080",
    "x_{date}_{spec}, x_wide",
    "../{show}/{clip}, slack-water-who-owns-a-tide"
  })
  void fieldsAreFilledAndTheRestIsMadeSafe(String pattern, String name) {
    assertThat(new NamePattern(pattern).name(VALUES)).isEqualTo(name);
  }

  @ParameterizedTest
  @ValueSource(strings = {"", "always the same", "{show", "{}", "{nothing}", "{clip}{nothing}"})
  void patternsThatNameNothingAreRefused(String pattern) {
    assertThatThrownBy(() -> new NamePattern(pattern)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aFieldThatIsNotThereIsNamed() {
    assertThatThrownBy(() -> new NamePattern("{shwo}"))
        .hasMessageContaining("{shwo}")
        .hasMessageContaining("{show}");
  }

  /** 255 bytes are what file systems take, endings included (POSIX NAME_MAX). */
  @Property
  void anyValuesMakeANameThatAnySystemTakes(@ForAll String pattern, @ForAll String value) {
    Map<Field, String> all = new EnumMap<>(Field.class);
    for (Field field : Field.values()) {
      all.put(field, value.repeat(5));
    }
    String safe = pattern.replaceAll("[{}]", "");
    String shown = safe.substring(0, Math.min(80, safe.length())).strip();
    String name = new NamePattern(shown + "{clip}_{show}_{episode}_{spec}_{date}_{size}").name(all);
    assertThat(name).isNotEmpty().doesNotContainPattern("[\\x00-\\x1f<>:\"/\\\\|?*.\\s]");
    assertThat(name.getBytes(StandardCharsets.UTF_8)).hasSizeLessThanOrEqualTo(200);
  }
}
