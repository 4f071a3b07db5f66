package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.Finished;
import paringknife.core.deliver.Limit;
import paringknife.core.deliver.NamePattern;
import paringknife.core.deliver.Planned;
import paringknife.core.formats.CueWords;
import paringknife.core.formats.ImportedText;
import paringknife.core.formats.SubRip;
import paringknife.core.formats.SubtitleReader;
import paringknife.core.formats.TimedText;
import paringknife.core.formats.WebVtt;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

class FormatsTest {
  private static final List<TimedText> CUES =
      List.of(
          new TimedText(new Span(1_000_000, 2_500_000), "Salt & water\n<freezes>"),
          new TimedText(new Span(3_600_000_000L, 3_601_250_000L), "slower"));

  /** WebVTT (W3C) and SubRip, of which there is no standard: common practice. */
  @Test
  void whatIsWrittenIsReadBack() {
    assertThat(SubtitleReader.read(SubRip.write(List.of(CUES.get(1)))).cues())
        .isEqualTo(List.of(CUES.get(1)));
    ImportedText read = SubtitleReader.read(WebVtt.write(CUES));
    assertThat(read.cues()).isEqualTo(CUES);
    assertThat(read.mended()).isEmpty();
  }

  /** What untidy SubRip files hold is common practice. */
  @Test
  void untidyFilesAreMendedAndSaySo() {
    String untidy =
        "\uFEFF7\r\n00:00:05,000 --> 00:00:06,000\r\n{\\an8}<i>second</i>\r\n\r\n"
            + "00:00:01.0 --> 00:00:05.5\r\nfirst\r\n\r\n9\r\n00:00:09,000 --> 00:00:08,000\r\nlast\r\n";
    ImportedText read = SubtitleReader.read(untidy);
    assertThat(read.cues()).extracting(TimedText::text).containsExactly("first", "second", "last");
    assertThat(read.cues().get(0).span()).isEqualTo(new Span(1_000_000, 5_000_000));
    assertThat(read.mended()).hasSize(3);
  }

  @Test
  void aFileWithoutCaptionsIsRefused() {
    assertThatThrownBy(() -> SubtitleReader.read("hello")).hasMessageContaining("no caption");
  }

  /** Worked by hand: one syllable of four, three of four, the only one. */
  @Test
  void cueTimesAreSharedBySyllablesAndSpeakersNamed() {
    Transcript t =
        CueWords.transcript(
            List.of(
                new TimedText(new Span(0, 3_000_000), "Ada Vale: a banana"),
                new TimedText(new Span(3_000_000, 4_000_000), "Ben: yes")),
            "en");
    assertThat(t.speakers()).containsExactly("Ada Vale", "Ben");
    assertThat(t.words())
        .extracting(w -> w.endUs())
        .containsExactly(750_000L, 3_000_000L, 4_000_000L);
  }

  /** SMPTE ST 12-1: 29.97 frames a second are 30000/1001; an hour has 107892 of them. */
  @Test
  void framesOf2997DoNotDrift() {
    FrameRate rate = FrameRate.parse("30000/1001");
    assertThat(rate.nearestFrame(3_600_000_000L)).isEqualTo(107_892);
    assertThat(rate.startUs(107_892)).isEqualTo(3_599_996_400L);
    for (long n = 0; n < 200_000; n += 997) {
      assertThat(rate.nearestFrame(rate.startUs(n))).isEqualTo(n);
    }
  }

  private static String usual(String show, String episode, String clip, String spec) {
    return NamePattern.USUAL.name(
        Map.of(
            NamePattern.Field.SHOW, show,
            NamePattern.Field.EPISODE, episode,
            NamePattern.Field.CLIP, clip,
            NamePattern.Field.SPEC, spec));
  }

  @Test
  void fileNamesAreSafeEverywhere() {
    assertThat(usual("Slack Water", "7", "L'\u00e9t\u00e9 / \"../x\"", "vertical-60"))
        .isEqualTo("slack-water-7_l-\u00e9t\u00e9-x_vertical-60");
    assertThat(usual("", "\u6f6e\u306e\u6c34", "..", "wide"))
        .isEqualTo("\u6f6e\u306e\u6c34_clip_wide");
    assertThat(FileNames.part("e\u0301te\u0301"))
        .as("composed as NFC, by java.text.Normalizer")
        .isEqualTo("\u00e9t\u00e9");
    assertThat(FileNames.part("\u0939\u093f\u0928\u094d\u0926\u0940"))
        .as("marks that belong to letters stay")
        .isEqualTo("\u0939\u093f\u0928\u094d\u0926\u0940");
    for (String reserved : List.of("CON", "nul", "Com1", "LPT9")) {
      assertThat(FileNames.part(reserved)).isNotEqualToIgnoringCase(reserved);
    }
  }

  /**
   * POSIX and the three common desktop systems: 255 bytes or units, no separator, no dot at an end.
   */
  @Property
  void anyTitleMakesANameThatAnySystemTakes(@ForAll String episode, @ForAll String clip) {
    String name = usual("", episode, clip, "vertical-60");
    assertThat(name.getBytes(java.nio.charset.StandardCharsets.UTF_8)).hasSizeLessThan(200);
    assertThat(name).doesNotContainPattern("[\\x00-\\x1f<>:\"/\\\\|?*.\\s]");
    assertThat(java.text.Normalizer.isNormalized(name, java.text.Normalizer.Form.NFC)).isTrue();
  }

  @Test
  void noTwoFilesOfADeliveryHaveOneName() {
    FileNames names = new FileNames();
    assertThat(List.of("a", "A", "a", "b"))
        .extracting(names::unique)
        .containsExactly("a", "A-2", "a-3", "b");
  }

  private static List<Check> before(long lengthUs, double windowHeight) {
    return DeliverySpecs.SHIPPED
        .byId("vertical-60")
        .preflight(new Planned(lengthUs, List.of(), windowHeight, new FrameRate(25, 1), null));
  }

  /** Common practice: limits of 60, 90 and 600 s, and 2 s to spare. */
  @Test
  void aClipOverTheLimitFailsBeforeRendering() {
    assertThat(Check.pass(before(63_350_000, 1080))).isFalse();
    assertThat(before(63_350_000, 1080).get(0).text()).isEqualTo("5.4 s over 58 s");
    assertThat(before(59_000_000, 1920).get(0).verdict()).isEqualTo(Check.Verdict.NOTE);
    assertThat(Check.pass(before(0, 1080))).isFalse();
    assertThat(Check.pass(before(40_000_000, 607))).isTrue();
    assertThat(DeliverySpecs.SHIPPED.all())
        .filteredOn(s -> s.id().startsWith("vertical"))
        .extracting(s -> s.length().longestUs())
        .containsExactly(60_000_000L, 90_000_000L, 600_000_000L);
    assertThat(DeliverySpecs.SHIPPED.all()).allMatch(s -> s.length().marginUs() == 2_000_000);
  }

  @Test
  void aRecordingOfMoreFramesThanASpecTakesIsDeliveredAtAWholePartOfThem() {
    Limit.Frames frames = new Limit.Frames(60);
    assertThat(frames.of(new FrameRate(60_000, 1_001))).isEqualTo(new FrameRate(60_000, 1_001));
    assertThat(frames.of(new FrameRate(120, 1))).isEqualTo(new FrameRate(120, 2));
    assertThat(frames.of(new FrameRate(240_000, 1_001)).perSecond()).isLessThanOrEqualTo(60);
    assertThat(frames.before(new Planned(1, List.of(), 1, new FrameRate(25, 1), null))).isEmpty();
    assertThat(frames.before(new Planned(1, List.of(), 1, new FrameRate(100, 1), null)))
        .extracting(Check::text)
        .containsExactly("50.00 frames a second of the recording's 100.0");
  }

  @Test
  void aFinishedFileIsHeldAgainstEachLimit() {
    Finished right =
        new Finished(1080, 1920, new FrameRate(25, 1), 30.02, -14.4, -1.2, 9_000_000, 30_000_000);
    Finished wrong =
        new Finished(1920, 1080, new FrameRate(25, 1), 29.0, -12.0, -0.5, 9_000_000, 30_000_000);
    assertThat(Check.pass(DeliverySpecs.SHIPPED.byId("vertical-60").measured(right))).isTrue();
    assertThat(DeliverySpecs.SHIPPED.byId("vertical-60").measured(wrong))
        .filteredOn(c -> c.verdict() == Check.Verdict.FAILS)
        .extracting(Check::subject)
        .containsExactly("file length", "picture size", "loudness", "true peak");
  }

  @ParameterizedTest
  @CsvSource({
    "1920, 1080, wide",
    "768, 576, wide",
    "2048, 858, wide",
    "1080, 1920, vertical-600",
    "1080, 1080, feed-square",
    "864, 1080, feed-tall"
  })
  void aFinishedPictureGoesWhereItIsLargest(int width, int height, String spec) {
    assertThat(DeliverySpecs.SHIPPED.forWhole(width / (double) height).id()).isEqualTo(spec);
  }
}
