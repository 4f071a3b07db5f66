package paringknife.core;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.FileNames;
import paringknife.core.deliver.Preflight;
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

  @Test
  void whatIsWrittenIsReadBack() {
    assertThat(SubtitleReader.read(SubRip.write(List.of(CUES.get(1)))).cues())
        .isEqualTo(List.of(CUES.get(1)));
    ImportedText read = SubtitleReader.read(WebVtt.write(CUES));
    assertThat(read.cues()).isEqualTo(CUES);
    assertThat(read.mended()).isEmpty();
  }

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

  @Test
  void fileNamesAreSafeEverywhere() {
    var spec = DeliverySpecs.byId("vertical-60");
    assertThat(FileNames.of("Slack Water 7", "L'été / \"../x\"", spec))
        .isEqualTo("slack-water-7_l-ete-x_vertical-60");
    assertThat(FileNames.of("\u6f6e", "..", spec)).isEqualTo("clip_clip_vertical-60");
  }

  @Test
  void aClipOverTheLimitFailsBeforeRendering() {
    Preflight preflight = new Preflight(DeliverySpecs.byId("vertical-60"));
    assertThat(Preflight.passes(preflight.check(63_350_000, List.of(), 1080))).isFalse();
    assertThat(preflight.check(63_350_000, List.of(), 1080).get(0).text())
        .isEqualTo("5.4 s over 58 s");
    assertThat(preflight.check(59_000_000, List.of(), 1920).get(0).verdict())
        .isEqualTo(Check.Verdict.NOTE);
    assertThat(Preflight.passes(preflight.check(0, List.of(), 1080))).isFalse();
    assertThat(Preflight.passes(preflight.check(40_000_000, List.of(), 607))).isTrue();
  }
}
