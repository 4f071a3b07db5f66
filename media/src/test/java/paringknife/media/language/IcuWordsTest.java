package paringknife.media.language;

import static org.assertj.core.api.Assertions.assertThat;

import java.text.BreakIterator;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.formats.CueWords;
import paringknife.core.formats.TimedText;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;
import paringknife.core.writing.Spacing;
import paringknife.core.writing.WordsOfText;

/** Words of texts without blanks: found, put together again, and never parted from their marks. */
class IcuWordsTest {
  private static final String JAPANESE = "最終便は「静かに」港を出ました。誰も、鐘を鳴らさなかった！";

  @Test
  void japaneseIsPartedAtItsWords() {
    assertThat(WordsOfText.of("誰も鐘を鳴らさなかった")).contains("鐘", "を").hasSizeBetween(4, 9);
  }

  /** JIS X 4051: closing marks do not begin a line, opening ones do not end it. */
  @ParameterizedTest
  @ValueSource(strings = {JAPANESE, "最后一班渡轮（星期五）离开了。没有人敲钟！", "สะพานเก่ายังอยู่ที่นี่"})
  void marksStayWithTheirWordsAndNothingIsLost(String text) {
    List<String> words = WordsOfText.of(text);
    assertThat(String.join("", words)).isEqualTo(text);
    assertThat(Spacing.joined(words)).isEqualTo(text);
    assertThat(words).hasSizeGreaterThan(3);
    assertThat(words).noneMatch(w -> "。、」！）".indexOf(w.charAt(0)) >= 0);
    assertThat(words).noneMatch(w -> "「（".indexOf(w.charAt(w.length() - 1)) >= 0);
  }

  /** The JDK has a Thai dictionary of its own. */
  @Test
  void thaiIsPartedWhereTheJdkPartsItToo() {
    String text = "สะพานเก่ายังอยู่ที่นี่";
    BreakIterator jdk = BreakIterator.getWordInstance(Locale.forLanguageTag("th"));
    jdk.setText(text);
    int at = 0;
    for (String word : WordsOfText.of(text)) {
      at += word.length();
      assertThat(jdk.isBoundary(at)).as(word).isTrue();
    }
  }

  @Test
  void blanksPartWhateverElseDoes() {
    assertThat(WordsOfText.of("  Hello,\u00a0最終便 and on "))
        .startsWith("Hello,")
        .endsWith("and", "on");
    assertThat(WordsOfText.of(" \n")).isEmpty();
  }

  /** The words of a subtitle share its time, a syllable a letter. */
  @Test
  void subtitlesBecomeWordsWithTimes() {
    Transcript read =
        CueWords.transcript(List.of(new TimedText(new Span(0, 4_000_000), JAPANESE)), "ja");
    assertThat(read.words()).hasSizeGreaterThan(10);
    assertThat(read.text(0, read.words().size())).isEqualTo(JAPANESE);
    assertThat(read.words().get(read.words().size() - 1).endUs()).isEqualTo(4_000_000);
    assertThat(read.words().stream().filter(w -> w.endsSentence())).hasSize(2);
  }

  /** Linear in its length, and whole, whatever it is. */
  @Test
  void aMillionLettersWithoutABlankAreParted() {
    assertThat(String.join("", WordsOfText.of("船".repeat(300_000)))).hasSize(300_000);
    assertThat(WordsOfText.of("。".repeat(50_000))).hasSizeLessThan(100);
    assertThat(WordsOfText.of("𠮷".repeat(2_001)))
        .allMatch(w -> w.codePoints().allMatch(c -> c == 0x20BB7));
  }
}
