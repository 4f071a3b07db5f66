package paringknife.core.deliver;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import paringknife.core.deliver.Check.Verdict;

class FileFormTest {
  @ParameterizedTest
  @CsvSource({
    "h264, High, yuv420p, aac, PASSES",
    "h264, Constrained Baseline, yuv420p, mp3, PASSES",
    "h264, High 4:4:4 Predictive, yuv444p, aac, FAILS",
    "h264, High 10, yuv420p10le, aac, FAILS",
    "hevc, Main, yuv420p, aac, NOTE",
    "vp9, Profile 0, yuv420p, opus, PASSES",
    "vp9, Profile 1, yuv444p, opus, FAILS",
    "av1, Main, yuv420p, aac, PASSES",
    "prores, HQ, yuv422p10le, pcm_s16le, FAILS",
    "'', '', '', mp3, PASSES",
    "'', '', '', ac3, FAILS",
    "h264, High, yuv420p, '', FAILS"
  })
  void pagesPlaySomeFormsOnly(
      String picture, String profile, String pixels, String sound, Verdict verdict) {
    assertThat(new FileForm(picture, profile, pixels, sound, true).inBrowsers().verdict())
        .isEqualTo(verdict);
  }

  @Test
  void anIndexAtTheEndKeepsAPageWaiting() {
    assertThat(new FileForm("h264", "High", "yuv420p", "aac", false).inBrowsers().verdict())
        .isEqualTo(Verdict.FAILS);
  }
}
