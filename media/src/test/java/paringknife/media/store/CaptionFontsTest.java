package paringknife.media.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.core.letter.fonts.Typeface;
import paringknife.core.letter.fonts.Typefaces;
import paringknife.core.letter.style.Face;

/** Fonts of one's own beside those that ship. */
class CaptionFontsTest {
  private static final Path DEBIANS = Path.of("/usr/share/fonts/truetype/dejavu");

  @TempDir Path folder;

  private CaptionFonts fonts;

  @BeforeEach
  void layOut() {
    fonts = new CaptionFonts(folder);
  }

  @AfterEach
  void removeAll() {
    Typefaces.installed().forEach(t -> fonts.remove(t.files().get(0)));
  }

  private static byte[] font(String name) throws IOException {
    return Files.readAllBytes(DEBIANS.resolve(name));
  }

  private static List<String> families() {
    return Typefaces.choices().stream().map(Typeface::family).toList();
  }

  @Test
  void aFontIsAddedFoundByOthersAndRemoved() throws IOException {
    Typeface added = fonts.add(font("DejaVuSerif.ttf"));
    String file = added.files().get(0);
    assertThat(fonts.files()).contains(file);
    assertThat(Files.readAllBytes(folder.resolve(file))).isEqualTo(font("DejaVuSerif.ttf"));
    assertThat(families()).contains("DejaVu Serif");
    assertThat(Typefaces.of(Face.of("DejaVu Serif", 60))).contains(added);

    Typefaces.remove(file);
    assertThat(families()).doesNotContain("DejaVu Serif");
    fonts.lookThrough();
    assertThat(families()).as("as another process has it").contains("DejaVu Serif");

    assertThat(fonts.remove(file)).isTrue();
    assertThat(fonts.remove(file)).isFalse();
    assertThat(families()).doesNotContain("DejaVu Serif");
    assertThat(Typefaces.of(Face.of("DejaVu Serif", 60))).isEmpty();
  }

  /** The bold one of a family is a file of its own; the same one again takes its place. */
  @Test
  void eachWeightAndStyleIsThereOnce() throws IOException {
    Typeface plain = fonts.add(font("DejaVuSerif.ttf"));
    Typeface bold = fonts.add(font("DejaVuSerif-Bold.ttf"));
    assertThat(Typefaces.of(Face.of("DejaVu Serif", 60))).contains(plain);
    assertThat(Typefaces.of(Face.of("DejaVu Serif", 60).asBold())).contains(bold);
    byte[] newer = font("DejaVuSerif.ttf");
    newer[newer.length - 1] ^= 1;
    Typeface again = fonts.add(newer);
    assertThat(again.files()).isNotEqualTo(plain.files());
    assertThat(fonts.files()).contains(again.files().get(0), bold.files().get(0));
    assertThat(fonts.files()).doesNotContain(plain.files().get(0));
  }

  @Test
  void whatIsNoFontOrNoFileOfOursIsLeftAlone() throws IOException {
    assertThatThrownBy(() -> fonts.add("<svg/>".getBytes(StandardCharsets.UTF_8)))
        .hasMessageContaining("no font");
    Files.writeString(folder.resolve("own-of-somebody.ttf"), "no font");
    fonts.lookThrough();
    assertThat(Typefaces.installed()).isEmpty();
    for (String name :
        List.of(
            "anton.woff", "../own-1.ttf", "own-", "", "own-%2e%2e.ttf", Typefaces.files().get(0))) {
      assertThat(fonts.remove(name)).as(name).isFalse();
    }
    assertThat(folder.resolve(Typefaces.files().get(0))).exists();
  }

  /** On another machine a style finds its letters, and what is there already is not overwritten. */
  @Test
  void fontsGoAlongAndComeInWhereTheyAreMissing() throws IOException {
    fonts.add(font("DejaVuSerif.ttf"));
    fonts.add(font("DejaVuSansMono.ttf"));
    List<byte[]> along = fonts.ownOf(List.of("DejaVu Serif", "Archivo Black"));
    assertThat(along).as("those that ship are everywhere").hasSize(1);
    assertThat(along.get(0)).isEqualTo(font("DejaVuSerif.ttf"));

    removeAll();
    fonts.addMissing(along);
    assertThat(families()).contains("DejaVu Serif").doesNotContain("DejaVu Sans Mono");
    byte[] other = font("DejaVuSerif.ttf");
    other[other.length - 1] ^= 1;
    fonts.addMissing(List.of(other));
    assertThat(fonts.ownOf(List.of("DejaVu Serif")).get(0)).isEqualTo(font("DejaVuSerif.ttf"));
    assertThatThrownBy(() -> fonts.addMissing(List.of(font("DejaVuSansMono.ttf"), new byte[9])))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(families()).as("all or none").doesNotContain("DejaVu Sans Mono");
  }
}
