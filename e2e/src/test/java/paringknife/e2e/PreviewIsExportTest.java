package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is heard and seen while previewing, against the recording and the finished file. */
class PreviewIsExportTest extends FerryInBrowser {

  /** What the loudspeaker gets is the recording's sound at the kept spans, one after the other. */
  @Test
  void whatIsHeardIsTheCutWithoutAGap() throws IOException {
    pareAll();
    JsonNode kept = clip().path("pared").path("kept");
    Path recorded = folder.resolve("heard.wav");
    HeardInBrowser.play(page, 11.5e6, recorded);
    float[] heard = Eye.sound(recorded, 0, 13);
    double played = 0;
    List<Double> delays = new ArrayList<>();
    for (JsonNode span : kept) {
      double in = span.path("startUs").asDouble() / 1e6;
      double length = span.path("endUs").asDouble() / 1e6 - in;
      if (played + length < 10 && length > 0.5) {
        float[] source = Eye.sound(episode.camera(), in, Math.min(length, 3));
        delays.add(Eye.place(source, heard) - played);
      }
      played += length;
    }
    assertThat(delays).hasSizeGreaterThanOrEqualTo(3);
    double first = delays.get(0);
    assertThat(delays).allSatisfy(d -> assertThat(d).isCloseTo(first, within(0.005)));
  }

  /** Where the player is and what its audio clock says in one and the same frame, seconds. */
  private double[] played() {
    List<?> both =
        (List<?>)
            page.evaluate(
                "() => new Promise((done) => requestAnimationFrame(() => done([paringKnifePlayer.position / 1e6, heard.context.currentTime])))");
    return new double[] {
      ((Number) both.get(0)).doubleValue(), ((Number) both.get(1)).doubleValue()
    };
  }

  @Test
  void playingFasterKeepsTheCut() {
    pareAll();
    page.evaluate(
        "async () => { await paringKnifePlayer.seek(0); await paringKnifePlayer.setRate(2); await paringKnifePlayer.play(); }");
    HeardInBrowser.playUntil(page, 1e6);
    double[] before = played();
    HeardInBrowser.playUntil(page, 5e6);
    double[] after = played();
    page.evaluate("() => { paringKnifePlayer.pause(); return paringKnifePlayer.setRate(1); }");
    assertThat((after[0] - before[0]) / (after[1] - before[1])).isCloseTo(2, within(0.001));
  }

  /** Every picture of the cut is shown at its time of the audio clock, over every join. */
  @Test
  void thePreviewPlaysTheCutWithoutGaps() {
    pareAll();
    HeardInBrowser.pace(page, 0.5);
    page.evaluate(
        "async () => { await paringKnifePlayer.seek(0); paringKnifePlayer.lateFrames = 0; paringKnifePlayer.shownFrames = 0; await paringKnifePlayer.play(); }");
    HeardInBrowser.playUntil(page, 6.5e6);
    Map<?, ?> state =
        (Map<?, ?>)
            page.evaluate(
                "() => new Promise((done) => requestAnimationFrame(() => done({ us: paringKnifePlayer.position, late: paringKnifePlayer.lateFrames, shown: paringKnifePlayer.shownFrames })))");
    page.evaluate("paringKnifePlayer.pause()");
    HeardInBrowser.pace(page, 1);
    long due = (long) (((Number) state.get("us")).doubleValue() / 40_000) + 1;
    assertThat(clip().path("pared").path("kept").size())
        .as("spans, so joins between them")
        .isGreaterThan(3);
    assertThat(((Number) state.get("late")).intValue()).as("pictures shown late").isZero();
    assertThat(((Number) state.get("shown")).longValue())
        .as("pictures shown of %s", due)
        .isBetween(due - 1, due);
  }

  private JsonNode cues() {
    return api("/api/clips/" + id + "/cues");
  }

  /**
   * A browser that cannot decode single pictures still plays the cut, leaping over what was pared.
   */
  @Test
  void withoutWebCodecsAPlainPlayerPlaysTheCut() {
    pareAll();
    JsonNode clip = clip();
    double cutUs = clip.path("pared").path("kept").get(0).path("endUs").asDouble();
    double nextUs = clip.path("pared").path("kept").get(1).path("startUs").asDouble();
    try (Browser plain = new Browser()) {
      plain.withoutWebCodecs();
      Page other = plain.page();
      other.navigate(server.address() + "/episodes/1/pare?clip=" + clip.path("id").asLong());
      assertThat(other.getByTestId("plate")).hasAttribute("data-ready", "true");
      assertThat(other.evaluate("() => 'lateFrames' in paringKnifePlayer")).isEqualTo(false);
      other.evaluate(
          "us => paringKnifePlayer.seek(Math.max(0, us))",
          cutUs - clip.path("pared").path("kept").get(0).path("startUs").asDouble() - 300_000);
      other.evaluate("() => paringKnifePlayer.play()");
      other.waitForFunction("us => paringKnifePlayer.episodeUs > us", nextUs + 200_000);
      double position =
          ((Number)
                  other.evaluate(
                      "() => { paringKnifePlayer.pause(); return paringKnifePlayer.position; }"))
              .doubleValue();
      assertThat(position)
          .isGreaterThan(cutUs - clip.path("pared").path("kept").get(0).path("startUs").asDouble());
      assertThat(plain.errors).isEmpty();
    }
  }

  /** The finished file of the clip, and its subtitles beside it. */
  private Path rendered() throws IOException {
    String spec = smallSpec();
    change("{\"type\":\"askFor\",\"specs\":[\"" + spec + "\"]}");
    post("/api/episodes/1/renderings", "{}");
    openStage("Deliver");
    assertThat(page.getByTestId("cell-" + id + "-" + spec))
        .hasAttribute(
            "data-state", "DONE", new LocatorAssertions.HasAttributeOptions().setTimeout(240_000));
    Path zip = folder.resolve("delivery.zip");
    page.getByTestId("take-home").click();
    page.waitForDownload(() -> page.getByTestId("zip").click()).saveAs(zip);
    page.keyboard().press("Escape");
    try (ZipFile file = new ZipFile(zip.toFile())) {
      for (ZipEntry entry : file.stream().map(e -> (ZipEntry) e).toList()) {
        Files.copy(file.getInputStream(entry), folder.resolve(entry.getName()));
      }
    }
    return only("mp4");
  }

  private String subtitles() throws IOException {
    return Files.readString(only("vtt"));
  }

  private Path only(String extension) throws IOException {
    try (var files = Files.list(folder)) {
      return files
          .filter(f -> f.getFileName().toString().endsWith("." + extension))
          .findFirst()
          .orElseThrow();
    }
  }

  /**
   * The picture that the preview would show at a frame is the one in the file, within one frame.
   */
  @Test
  void theFileShowsWhatThePreviewShowsAndSaysWhatItsCaptionsSay() throws IOException {
    openAShorterOne(40);
    pareAll();
    Path file = rendered();
    JsonNode preview = api("/api/clips/" + id + "/preview");
    int frames =
        Integer.parseInt(Eye.probe(file, "stream=nb_read_packets").replaceAll("[^\\d].*", ""));
    int compared = 0;
    for (JsonNode run : preview.path("runs")) {
      long k = run.path("count").asLong() / 2;
      long clipFrame = run.path("clipFrame").asLong() + k;
      assertThat(clipFrame).isLessThan(frames);
      byte[] made = Eye.upperPart(file, "", (clipFrame + 0.25) / 25);
      double best = Double.MAX_VALUE;
      int bestOffset = 99;
      for (int offset = -3; offset <= 3; offset++) {
        double second = (run.path("episodeFrame").asLong() + k + offset + 0.25) / 25;
        double difference =
            Eye.difference(
                made, Eye.upperPart(episode.camera(), Held.crop(preview, clipFrame), second));
        if (difference < best - 0.02
            || difference < best + 0.02 && Math.abs(offset) < Math.abs(bestOffset)) {
          best = Math.min(best, difference);
          bestOffset = offset;
        }
      }
      assertThat(best).isLessThan(2);
      assertThat(Math.abs(bestOffset)).isLessThanOrEqualTo(1);
      compared++;
    }
    assertThat(compared).isGreaterThanOrEqualTo(5);
    chromiumReadsTheWebVtt(subtitles());
  }

  /** Chromium's own WebVTT parser reads our subtitles. */
  private void chromiumReadsTheWebVtt(String vtt) {
    Object read =
        page.evaluate(
            "text => new Promise((done, fail) => { const v = document.createElement('video'); const t = document.createElement('track');"
                + " t.kind = 'subtitles'; t.default = true; t.src = URL.createObjectURL(new Blob([text], {type: 'text/vtt'}));"
                + " t.onload = () => done([...t.track.cues].map(c => [c.startTime, c.endTime, c.text])); t.onerror = () => fail('refused');"
                + " v.append(t); document.body.append(v); t.track.mode = 'showing'; })",
            vtt);
    JsonNode cues = cues();
    assertThat((List<?>) read).hasSize(cues.size());
    for (int i = 0; i < cues.size(); i++) {
      List<?> cue = (List<?>) ((List<?>) read).get(i);
      assertThat(((Number) cue.get(0)).doubleValue())
          .isCloseTo(cues.get(i).path("span").path("startUs").asDouble() / 1e6, within(0.0011));
    }
  }
}
