package paringknife.core.letter.fonts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.Font;
import java.awt.font.FontRenderContext;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class FontFileTest {
  private static final Path DEJAVU = Path.of("/usr/share/fonts/truetype/dejavu/DejaVuSans.ttf");

  private static byte[] shipped(String name) throws IOException {
    try (InputStream in = Typefaces.open(name)) {
      return in.readAllBytes();
    }
  }

  /** Debian's DejaVu Sans, against what Java's own font engine measures. */
  @Test
  void widthsAreWhatTheJdkMeasures() throws Exception {
    byte[] bytes = Files.readAllBytes(DEJAVU);
    FontFile font = FontFile.read(bytes);
    assertThat(font.family()).isEqualTo("DejaVu Sans");
    Font measured =
        Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(bytes)).deriveFont(1000f);
    FontRenderContext plain = new FontRenderContext(null, true, true);
    for (String letter : new String[] {"A", "i", "\u00e9", "\u0416", "W", "\u2026"}) {
      assertThat(font.advance(letter.codePointAt(0)) / font.em())
          .as(letter)
          .isCloseTo(measured.getStringBounds(letter, plain).getWidth() / 1000, within(0.001));
    }
    assertThat(font.has('\u4e00')).isFalse();
    assertThat(font.isRestricted()).isFalse();
  }

  @Test
  void everyShippedFontCanBeReadAndMayGoAlong() throws IOException {
    for (String file : Typefaces.files()) {
      FontFile font = FontFile.read(shipped(file));
      assertThat(font.isRestricted()).as(file).isFalse();
      assertThat(font.em()).isBetween(0.3, 1.2);
    }
    for (Typeface face : Typefaces.all()) {
      assertThat(FontFile.read(shipped(face.files().get(0))).family()).isEqualTo(face.family());
      assertThat("Schöne Straße, ça va? Ýmir, Łódź, ő".codePoints().filter(c -> c > ' '))
          .as(face.family())
          .allMatch(face::has);
    }
  }

  /**
   * JIS X 0208 holds 6,355 Han letters, KS X 1001 and Unicode 11,172 syllables, GB 2312 6,763 Han
   * letters; an emoji is drawn as a letter is.
   */
  @Test
  void theLargeScriptsAreWhole() throws IOException {
    for (Typeface face : Typefaces.large()) {
      assertThat(FontFile.read(shipped(face.files().get(0))).family()).isEqualTo(face.family());
    }
    Typeface chinese = Typefaces.having('直').orElseThrow();
    Typeface japanese = Typefaces.having('辻').orElseThrow();
    Typeface korean = Typefaces.having('직').orElseThrow();
    assertThat(IntStream.rangeClosed(0x4E00, 0x9FFF).filter(japanese::has).count())
        .isGreaterThanOrEqualTo(6_355);
    assertThat(IntStream.rangeClosed(0x4E00, 0x9FFF).filter(chinese::has).count())
        .isGreaterThanOrEqualTo(6_763);
    assertThat(IntStream.rangeClosed(0xAC00, 0xD7A3)).allMatch(korean::has);
    assertThat(Typefaces.having(0x1F44D)).isPresent();
  }

  /** The three languages draw many letters that they share in shapes of their own. */
  @Test
  void sharedLettersAreOfTheTextsLanguage() {
    assertThat(face("直", "直った")).contains("JP");
    assertThat(face("直", "直接去")).contains("SC");
    assertThat(face("直", "수직(直)")).as("not among the Korean letters").contains("JP");
    assertThat(face("직", "수직(直)")).contains("KR");
    assertThat(BorrowedLetters.largeFiles(List.of("Nobody rang.", "Никто"))).isEmpty();
    assertThat(BorrowedLetters.largeFiles(List.of("船が", "出た"))).hasSize(1);
  }

  private static String face(String letter, String text) {
    return BorrowedLetters.of(Stream.of(text))
        .having(letter.codePointAt(0))
        .map(Typeface::family)
        .orElse("");
  }

  @Test
  void whatIsNoFontIsRefusedWithAWord() throws IOException {
    byte[] font = shipped("anton-latin-400-normal.woff");
    Random random = new Random(3);
    for (int i = 0; i < 400; i++) {
      byte[] broken = Arrays.copyOf(font, i % 4 == 0 ? random.nextInt(font.length) : font.length);
      for (int k = 0; k < 20 && broken.length > 0; k++) {
        broken[random.nextInt(Math.min(broken.length, 400))] = (byte) random.nextInt();
      }
      try {
        FontFile.read(broken).advance('A');
      } catch (UnusableFont refused) {
        assertThat(refused).hasMessageContaining("no font");
      }
    }
    assertThatThrownBy(
            () -> FontFile.read("<html>".getBytes(java.nio.charset.StandardCharsets.UTF_8)))
        .isInstanceOf(UnusableFont.class);
    assertThatThrownBy(() -> FontFile.read(new byte[0])).isInstanceOf(UnusableFont.class);
  }

  /** The bit that forbids embedding: OS/2, fsType, 0x0002 (ISO/IEC 14496-22). */
  private static byte[] restricted(byte[] font) {
    byte[] changed = font.clone();
    ByteBuffer file = ByteBuffer.wrap(changed);
    for (int entry = 12; ; entry += 16) {
      if (file.getInt(entry) == 0x4F532F32) {
        file.putShort(file.getInt(entry + 8) + 8, (short) 2);
        return changed;
      }
    }
  }

  @Test
  void aFontOfOnesOwnIsCheckedBeforeItIsUsed() throws IOException {
    byte[] dejavu = Files.readAllBytes(DEJAVU);
    Typeface own = Typeface.own(FontFile.read(dejavu), "own-1.ttf");
    assertThat(own.family()).isEqualTo("DejaVu Sans");
    assertThat(own.lacks()).isEmpty();
    assertThat(own.isBold()).isFalse();
    byte[] bold = Files.readAllBytes(DEJAVU.resolveSibling("DejaVuSans-BoldOblique.ttf"));
    assertThat(FontFile.read(bold).isBold()).isTrue();
    assertThat(FontFile.read(bold).isItalic()).isTrue();
    assertThatThrownBy(() -> Typeface.own(FontFile.read(restricted(dejavu)), "own-2.ttf"))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("does not allow it to be embedded");
    FontFile shipped = FontFile.read(shipped("anton-latin-400-normal.woff"));
    assertThatThrownBy(() -> Typeface.own(shipped, "own-3.woff")).hasMessageContaining("it ships");
    Typeface arabic = Typefaces.having('\u0645').orElseThrow();
    assertThat(arabic.lacks()).contains("A", "ß").doesNotContain("\u0645");
  }
}
