package paringknife.core.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import paringknife.core.pick.Brief;
import paringknife.core.pick.BriefSentence;
import paringknife.core.time.FrameRate;

/**
 * Every reader of strangers' text on lines of a million letters made to send it back and forth. A
 * reader that is not linear in them would not end within any test run; how linear it is, the
 * benches tell.
 */
class HostileTextTest {
  private static final int LETTERS = 1_000_000;
  private static final FrameRate RATE = new FrameRate(25, 1);

  /** Readers by name; what they refuse, they refuse with a word. */
  static Map<String, Consumer<String>> readers() {
    Map<String, Consumer<String>> readers = new TreeMap<>();
    readers.put("SubRip and WebVTT", text -> SubtitleReader.read(timed(text)));
    readers.put("ASS", text -> AssSubtitles.read(dialogue(text)));
    readers.put("TTML", text -> Ttml.read(paragraph(text)));
    readers.put("XLIFF", text -> Xliff.read(unit(text)));
    readers.put("plain text", text -> PlainText.read(text, 1_000_000));
    readers.put("picks as CSV", PickCsv::read);
    readers.put("edit decision list", text -> EditDecisionList.read(text, RATE));
    readers.put(
        "brief", text -> BriefSentence.read(text, new Brief(3, 15_000_000, 58_000_000, List.of())));
    return readers;
  }

  private static String timed(String text) {
    return "1\n00:00:01,000 --> 00:00:02,000\n" + text + "\n\n" + text + " --> " + text;
  }

  private static String dialogue(String text) {
    return "[Events]\nDialogue: 0,0:00:01.00,0:00:02.00,Default,,0,0,0,," + text + "\n";
  }

  private static String paragraph(String text) {
    String safe = text.replace("&", "&amp;").replace("<", "&lt;").replace("\0", "");
    return "<tt xmlns=\"http://www.w3.org/ns/ttml\"><body><div><p begin=\"1s\" end=\"2s\">"
        + safe
        + "</p></div></body></tt>";
  }

  private static String unit(String text) {
    String safe = text.replace("&", "&amp;").replace("<", "&lt;").replace("\0", "");
    return "<xliff xmlns=\"urn:oasis:names:tc:xliff:document:2.0\"><unit><source>"
        + safe
        + "</source></unit></xliff>";
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{\\",
        "{",
        "}",
        "<",
        "<i>",
        "<i",
        "&",
        "&lt;",
        "1",
        "1:",
        "00:",
        "-->",
        " ",
        "\t",
        ".",
        ",",
        ";",
        "\"",
        "\"\"",
        "Ab ",
        "A.",
        "a:",
        "\u0000",
        "\ud83d\ude00",
        "\u202e",
        "about ",
        "0 1 2 3 "
      })
  void endlessLinesAreReadInOneGo(String piece) {
    String line = piece.repeat(LETTERS / piece.length());
    readers()
        .forEach(
            (name, reader) -> {
              try {
                reader.accept(line);
              } catch (IllegalArgumentException refused) {
                assertThat(refused.getMessage()).as(name).isNotBlank();
              }
            });
  }

  @Test
  void stylingGoesAndTextStays() {
    assertThat(StylingTags.without("<i>Tide</i> {\\an8}and <b>mill</b>"))
        .isEqualTo("Tide and mill");
    assertThat(StylingTags.without("a < b > c")).isEqualTo("a  c");
    assertThat(StylingTags.without("3 < 4 and {no tag}")).isEqualTo("3 < 4 and {no tag}");
    assertThat(StylingTags.without("{\\open and <open")).isEqualTo("{\\open and <open");
    assertThat(StylingTags.without("a&nbsp;b &lt;i&gt; &amp;lt;")).isEqualTo("a b <i> &lt;");
  }

  /** Common practice: the fields of a dialogue line stand as its Format line says. */
  @Test
  void captionsOfAnAssScriptAreReadWhateverTheirOrderOfFields() {
    String script =
        "[Script Info]\nTitle: x\n[Events]\nFormat: Start, End, Layer, Text\n"
            + "Dialogue: 0:00:03.50,0:00:04.00,0,{\\i1}later{\\i0}, with a comma\\Ntwo lines\n"
            + "Dialogue: 0:00:01.00,0:00:02.25,0,first\nDialogue: x,y,0,lost\n";
    ImportedText read = AssSubtitles.read(script);
    assertThat(read.cues())
        .extracting(TimedText::text)
        .containsExactly("first", "later, with a comma\ntwo lines");
    assertThat(read.cues().get(0).span().endUs()).isEqualTo(2_250_000);
    assertThat(read.mended())
        .contains("1 lines had no time and were left out", "captions were not in order of time");
    ImportedText again = AssSubtitles.read(AssSubtitles.write(read.cues()));
    assertThat(again.cues()).isEqualTo(read.cues());
    assertThat(again.mended()).isEmpty();
  }
}
