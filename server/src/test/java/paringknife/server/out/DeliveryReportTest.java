package paringknife.server.out;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.post.PostTexts;

class DeliveryReportTest {
  private static final PostTexts TEXTS =
      new PostTexts("Ice <b>", "“Cold & dark”", List.of("ice", "mill"));

  private static Check check(Check.Verdict verdict, String text) {
    return new Check("loudness", verdict, text, null);
  }

  @Test
  void itSaysWhatWasMeasuredAndThatAllIsRight() {
    DeliveryReport report = new DeliveryReport();
    report.add(
        "ice_wide.mp4",
        "Wide",
        4_250_000,
        List.of(check(Check.Verdict.PASSES, "-14.0 LUFS")),
        TEXTS);
    assertThat(report.html("Slack Water"))
        .contains("1 file, all of them right.")
        .contains("ice_wide.mp4")
        .contains("Wide, 4.3 MB")
        .contains("loudness: -14.0 LUFS")
        .contains("ice mill");
  }

  @Test
  void whatIsNotAsAskedForStandsAtTheTop() {
    DeliveryReport report = new DeliveryReport();
    report.add("a.mp4", "Wide", 1, List.of(check(Check.Verdict.FAILS, "-9.0 LUFS")), TEXTS);
    report.add("b.mp4", "Wide", 1, List.of(check(Check.Verdict.WAIVED, "-9.0 LUFS")), TEXTS);
    assertThat(report.html("Slack Water"))
        .contains("2 files; not right and left out: a.mp4.")
        .contains("<li class=\"fails\">loudness: -9.0 LUFS, not right");
  }

  /** Titles and texts are somebody's words, and stay words. */
  @Test
  void wordsAreNotMarkup() {
    DeliveryReport report = new DeliveryReport();
    report.add("a.mp4", "<i>", 1, List.of(check(Check.Verdict.PASSES, "\"><script>")), TEXTS);
    assertThat(report.html("<script>alert(1)</script>"))
        .doesNotContain("<script>")
        .doesNotContain("<i>")
        .contains("Ice &lt;b&gt;");
  }
}
