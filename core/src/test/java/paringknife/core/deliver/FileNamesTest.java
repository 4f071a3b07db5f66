package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Stream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Names by what the makers of the common desktop systems publish: Microsoft, "Naming Files, Paths,
 * and Namespaces"; Apple, "File System Programming Guide" and "Apple File System Reference" (names
 * are alike where they are after normalization and case folding); POSIX.1-2017, 3.170 and 3.281,
 * with Linux's NAME_MAX.
 */
class FileNamesTest {
  private static final Set<String> DEVICES =
      Set.of(
          "CON", "PRN", "AUX", "NUL", "COM0", "COM1", "COM2", "COM3", "COM4", "COM5", "COM6",
          "COM7", "COM8", "COM9", "COM¹", "COM²", "COM³", "LPT0", "LPT1", "LPT2", "LPT3", "LPT4",
          "LPT5", "LPT6", "LPT7", "LPT8", "LPT9", "LPT¹", "LPT²", "LPT³");

  private static void assertAnySystemTakes(String name) {
    assertThat(name).isNotEmpty().isNotIn(".", "..");
    // POSIX: neither a slash nor NUL, at most 255 bytes; and not hidden.
    assertThat(name).doesNotContain("/", "\0").doesNotStartWith(".");
    assertThat(name.getBytes(StandardCharsets.UTF_8).length).isLessThanOrEqualTo(255);
    // Apple: no colon, at most 255 UTF-16 units, and as it comes back from the disk.
    assertThat(name).doesNotContain(":").hasSizeLessThanOrEqualTo(255);
    assertThat(Normalizer.isNormalized(name, Normalizer.Form.NFC)).isTrue();
    // Microsoft: no signs that are reserved, no control characters, no device, no dot or blank
    // last.
    assertThat(name).doesNotContainPattern("[<>:\"/\\\\|?*\\x00-\\x1f]");
    assertThat(name).doesNotEndWith(".").doesNotEndWith(" ");
    assertThat(DEVICES).doesNotContain(name.split("\\.")[0].toUpperCase(Locale.ROOT));
  }

  @Provide
  Arbitrary<String> titles() {
    return Arbitraries.oneOf(
        Arbitraries.strings().all().ofMaxLength(300),
        Arbitraries.strings().withChars("./\\:*?\"<>| \0\u202e\u200b-_~$%'").ofMaxLength(40),
        Arbitraries.of(DEVICES).map(d -> d + " "),
        Arbitraries.of(DEVICES).map(d -> d + ".txt"),
        Arbitraries.strings().withChars("é\u0301ßΣσςİıﬀ각🔪").ofMaxLength(300));
  }

  @Property
  void anyTitleMakesANameThatAnySystemTakes(@ForAll("titles") String title) {
    assertAnySystemTakes(FileNames.part(title));
    assertAnySystemTakes(FileNames.part(title) + ".mp4");
  }

  @ParameterizedTest
  @ValueSource(strings = {"con", "Aux.", "COM¹", " lpt3 ", "nul.mp4"})
  void devicesAreNoNames(String title) {
    assertAnySystemTakes(FileNames.part(title) + ".mp4");
  }

  /** Where case does not count, these are one name; the second must not overwrite the first. */
  @Test
  void namesThatASystemTakesForOneAreToldApart() {
    String[][] alike = {
      {"Straße", "STRASSE"}, {"σίσυφος", "ΣΊΣΥΦΟΣ"}, {"é", "e\u0301"}, {"ﬁsh", "fish"}, {"A", "a"}
    };
    for (String[] pair : alike) {
      FileNames names = new FileNames();
      String first = names.unique(FileNames.part(pair[0]));
      assertThat(names.unique(FileNames.part(pair[1])))
          .as("%s beside %s", pair[1], first)
          .endsWith("-2");
    }
  }

  @Test
  void aNumberThatIsANameAlreadyIsPassedOver() {
    FileNames names = new FileNames();
    assertThat(Stream.of("clip", "clip-2", "clip", "clip", "Clip-4", "clip").map(names::unique))
        .containsExactly("clip", "clip-2", "clip-3", "clip-4", "Clip-4-2", "clip-5");
  }
}
