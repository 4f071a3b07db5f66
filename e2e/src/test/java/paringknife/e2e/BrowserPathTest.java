package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import paringknife.media.store.CaptionFonts;
import tools.jackson.databind.JsonNode;

/** The whole path in the real interface: shelf, pick, pare, frame, letter, deliver. */
class BrowserPathTest extends FerryInBrowser {
  private static final LocatorAssertions.IsVisibleOptions SOON =
      new LocatorAssertions.IsVisibleOptions().setTimeout(120_000);

  private JsonNode cues() {
    return api("/api/clips/" + clip().path("id").asLong() + "/cues");
  }

  private JsonNode clip() {
    return api("/api/episodes/1/clips").get(0);
  }

  /**
   * Shows a time of the clip, and waits until captions of the saved clip, not of what it was, are
   * drawn for it.
   */
  private void seekWithCaptions(long us) {
    page.evaluate("us => paringKnifePlayer.seek(us)", (double) us);
    String saved = "[data-script*='clip=" + clip().path("revision").asLong() + "&']";
    page.locator("[data-testid=captions]" + saved + "[data-drawn='" + us + "']")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
  }

  private void stage(String name) {
    page.locator("nav[aria-label=Stages] button")
        .filter(new Locator.FilterOptions().setHasText(name))
        .click();
  }

  @Test
  @Order(1)
  void theShelfShowsTheEpisodeArriveAndOpensIt() {
    page.navigate(server.address());
    assertThat(page.getByText("The last ferry")).isVisible();
    assertThat(page.locator("img[src*=poster]")).isVisible(SOON);
    page.getByText("The last ferry").click();
    assertThat(page.locator("[data-w='0']")).hasText("Um,");
    assertThat(page.getByTestId("plate")).hasAttribute("data-ready", "true");
  }

  @Test
  @Order(2)
  void wordsFollowWhilePlayingAndSearchCountsHits() {
    page.locator("[data-w='6']").click();
    page.keyboard().press("Space");
    assertThat(page.locator(".word.spoken"))
        .hasAttribute("data-w", java.util.regex.Pattern.compile("[89]|1\\d"));
    page.keyboard().press("Space");
    page.keyboard().press("/");
    page.keyboard().type("rang");
    assertThat(page.getByTestId("hits")).hasText("1 of 3");
    page.keyboard().press("Enter");
    assertThat(page.getByTestId("hits")).hasText("2 of 3");
    page.keyboard().press("Escape");
  }

  @Test
  @Order(3)
  void picksComeWithReasonsAndAStretchOfWordsBecomesAClip() {
    page.getByLabel("to", new Page.GetByLabelOptions().setExact(true)).fill("14");
    page.getByLabel("of", new Page.GetByLabelOptions().setExact(true)).fill("5");
    assertThat(page.getByTestId("pick").first()).isVisible();
    assertThat(page.getByTestId("pick").first().locator("li").first()).isVisible();
    page.locator("[data-w='0']").click();
    page.locator("[data-w='50']")
        .click(
            new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
    page.getByText("Make it a clip").click();
    assertThat(page.getByTestId("clip")).hasCount(1);
    assertThat(page.getByTestId("gauge")).isVisible();
    page.waitForURL("**/pare?clip=*");
  }

  @Test
  @Order(4)
  void wordsFillersAndPausesGoAreCountedAndComeBack() {
    double whole = clip().path("pared").path("lengthUs").asDouble();
    page.getByTestId("fillers").click();
    page.getByTestId("pare-sure-fillers").click();
    saved();
    assertThat(page.locator("[data-w='0']")).hasClass(java.util.regex.Pattern.compile("cut"));
    page.getByTestId("pauses").click();
    assertThat(page.getByTestId("pause-count")).containsText("pauses,");
    page.getByText("Pare them").click();
    saved();
    page.locator("[data-w='7']").hover();
    page.mouse().down();
    page.locator("[data-w='11']").hover();
    page.mouse().up();
    page.keyboard().press("Backspace");
    assertThat(page.locator("[data-w='9']")).hasClass(java.util.regex.Pattern.compile("cut"));
    saved();
    Locator tray = page.getByTestId("parings");
    assertThat(tray).containsText("Pauses");
    assertThat(tray).containsText("Fillers");
    assertThat(tray).containsText("By hand");
    JsonNode pared = clip();
    assertThat(pared.path("pared").path("lengthUs").asDouble()).isLessThan(whole - 4e6);
    assertThat(page.getByTestId("length"))
        .hasText(
            String.format(
                java.util.Locale.ROOT,
                "%.1f s",
                pared.path("pared").path("lengthUs").asDouble() / 1e6));
    tray.getByText("put back").last().click();
    saved();
    assertThat(page.locator("[data-w='9']")).not().hasClass(java.util.regex.Pattern.compile("cut"));
  }

  @Test
  @Order(6)
  void fittingPlansTheLeastHarmAndAVersionIsKept() {
    double before = clip().path("pared").path("lengthUs").asDouble();
    page.getByTestId("fit").click();
    page.getByLabel("Seconds to fit").fill(Long.toString(Math.round(before / 1e6 / 1.05)));
    assertThat(page.getByTestId("fit-steps").locator("li").first()).isVisible();
    page.getByTestId("fit-now").click();
    saved();
    assertThat(clip().path("pared").path("lengthUs").asDouble())
        .isLessThanOrEqualTo(Math.round(before / 1e6 / 1.05) * 1e6);
    page.getByTestId("versions").click();
    assertThat(page.getByText(java.util.regex.Pattern.compile("before: fit to")).first())
        .isVisible();
    page.getByText("return", new Page.GetByTextOptions().setExact(true)).first().click();
    saved();
    page.keyboard().press("Escape");
    assertThat(clip().path("pared").path("lengthUs").asDouble()).isEqualTo(before);
  }

  @Test
  @Order(6)
  void aWordIsCorrectedInTheTextAndNoCutMoves() {
    JsonNode kept = clip().path("pared").path("kept");
    page.locator("[data-w='12']").click();
    String wrong = page.locator("[data-w='12']").textContent();
    page.keyboard().press("t");
    page.getByTestId("correct-field").fill("Greta Marsh");
    page.keyboard().press("Enter");
    saved();
    assertThat(page.locator("[data-w='12']")).hasText("Greta");
    assertThat(page.locator("[data-w='13']")).hasText("Marsh");
    assertThat(clip().path("pared").path("kept")).isEqualTo(kept);
    page.keyboard().press("Control+z");
    saved();
    assertThat(page.locator("[data-w='12']")).hasText(wrong);
    page.navigate(server.address());
    page.getByLabel("Find anything ever said").fill(wrong.replaceAll("[^A-Za-z]", "") + " ");
    assertThat(page.getByTestId("said").locator("li").first()).isVisible();
    page.goBack();
    assertThat(page.locator("[data-w='12']")).isVisible();
  }

  @Test
  @Order(5)
  void undoAndRedoWorkAlsoAfterAReload() {
    page.reload();
    assertThat(page.locator("[data-w='9']")).isVisible();
    assertThat(page.getByLabel("Undo")).isEnabled();
    page.keyboard().press("Control+z");
    assertThat(page.locator("[data-w='9']")).hasClass(java.util.regex.Pattern.compile("cut"));
    page.keyboard().press("Control+Shift+Z");
    assertThat(page.locator("[data-w='9']")).not().hasClass(java.util.regex.Pattern.compile("cut"));
    saved();
  }

  @Test
  @Order(7)
  void theFrameHoldsWhoeverSpeaks() {
    stage("Frame");
    assertThat(page.getByText("Ada Moor", new Page.GetByTextOptions().setExact(true)).last())
        .isVisible();
    JsonNode preview = api("/api/clips/" + clip().path("id").asLong() + "/preview");
    JsonNode card = api("/api/episodes/1");
    List<String> held = new ArrayList<>();
    for (Held window : path(preview)) {
      held.add(card.path("people").get(window.person()).path("name").asString());
    }
    assertThat(held).startsWith("Ada Moor", "Ben Ford");
    assertThat(card.path("people").get(0).path("name").asString()).isEqualTo("Ada Moor");
  }

  @Test
  @Order(8)
  void captionsAreDrawnAndTheLetteringChanges() throws IOException {
    stage("Letter");
    page.getByText("Ledger").click();
    saved();
    assertThat(clip().path("lettered").path("lettering").asString()).isEqualTo("ledger");
    JsonNode cue = cues().get(2).path("span");
    seekWithCaptions((cue.path("startUs").asLong() + cue.path("endUs").asLong()) / 2);
    page.evaluate("document.querySelector('[data-testid=captions]').style.visibility = 'hidden'");
    byte[] without = page.getByTestId("plate").screenshot();
    page.evaluate("document.querySelector('[data-testid=captions]').style.visibility = 'visible'");
    byte[] with = page.getByTestId("plate").screenshot();
    for (int look = 0; java.util.Arrays.equals(with, without) && look < 300; look++) {
      page.waitForTimeout(200);
      with = page.getByTestId("plate").screenshot();
    }
    assertThat(java.util.Arrays.equals(with, without))
        .as("captions make no difference on the plate")
        .isFalse();
  }

  /**
   * What stands on the canvas of the captions; the worker's drawing reaches it after the worker has
   * said so.
   */
  private Path captionsOnGround() throws IOException {
    String drawn =
        (String)
            page.evaluate(
                "() => { const c = document.querySelector('[data-testid=captions]'); const o = document.createElement('canvas'); o.width = c.width; o.height = c.height;"
                    + " const x = o.getContext('2d'); x.fillStyle = '#205030'; x.fillRect(0, 0, o.width, o.height); x.drawImage(c, 0, 0); return o.toDataURL('image/png'); }");
    return Files.write(
        folder.resolve("browser.png"),
        java.util.Base64.getDecoder().decode(drawn.substring(drawn.indexOf(',') + 1)));
  }

  /** The very glyphs: libass in the browser against libass in ffmpeg, same script, same fonts. */
  @Test
  @Order(8)
  void captionsInTheBrowserAreThoseThatAreBurnt() throws IOException {
    JsonNode cues = cues();
    String script =
        page.request()
            .get(server.address() + "/api/clips/" + clip().path("id").asLong() + "/captions.ass")
            .text();
    Path ass = Files.writeString(folder.resolve("preview.ass"), script);
    Path fonts = new CaptionFonts(folder.resolve("fonts")).directory();
    for (int cue : new int[] {0, 2, 4}) {
      JsonNode span = cues.get(cue).path("span");
      long frame =
          Math.round(
              (span.path("startUs").asDouble() + span.path("endUs").asDouble()) / 2 / 40_000);
      seekWithCaptions(frame * 40_000 + 100);
      double second = (frame * 40_000 + 100) / 1e6;
      Eye.Likeness likeness = Eye.captionLikeness(captionsOnGround(), ass, fonts, second, folder);
      for (int look = 0; likeness.withCaptions() <= 0.99 && look < 300; look++) {
        page.waitForTimeout(200);
        likeness = Eye.captionLikeness(captionsOnGround(), ass, fonts, second, folder);
      }
      assertThat(likeness.withCaptions()).as("cue %s", cue).isGreaterThan(0.99);
      assertThat(likeness.withoutCaptions()).as("cue %s", cue).isLessThan(0.97);
    }
  }

  /** What the loudspeaker gets is the recording's sound at the kept spans, one after the other. */
  @Test
  @Order(9)
  void whatIsHeardIsTheCutWithoutAGap() throws IOException {
    page.keyboard().press("Escape");
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
  @Order(9)
  void playingFasterKeepsTheCut() {
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
  @Order(9)
  void thePreviewPlaysTheCutWithoutGaps() {
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

  @Test
  @Order(9)
  void everythingIsThereAfterServerBrowserAndDatabaseWereKilled()
      throws IOException, InterruptedException {
    stage("Pare");
    page.locator("[data-w='44']").click();
    page.keyboard().press("Backspace");
    assertThat(page.locator("[data-w='44']")).hasClass(java.util.regex.Pattern.compile("cut"));
    saved();
    JsonNode before = clip();
    server.kill();
    browser.close();
    server.start();
    browser = new Browser();
    page = browser.page();
    page.navigate(server.address() + "/episodes/1/pare?clip=" + before.path("id").asLong());
    assertThat(page.locator("[data-w='44']")).hasClass(java.util.regex.Pattern.compile("cut"));
    assertThat(clip()).isEqualTo(before);
  }

  @Test
  @Order(10)
  void clipsAreTickedRenderedPlayedAndTakenHome() throws IOException {
    long id = clip().path("id").asLong();
    stage("Deliver");
    page.getByTestId("cell-" + id + "-vertical-60").getByRole(AriaRole.CHECKBOX).check();
    assertThat(page.getByTestId("done")).hasText("0 of 1 files");
    page.waitForTimeout(1_000);
    page.getByTestId("cell-" + id + "-feed-square").getByRole(AriaRole.CHECKBOX).check();
    assertThat(page.getByTestId("render")).hasText("Render 2 files");
    page.waitForTimeout(1_000);
    page.getByTestId("render").click();
    Locator first = page.getByTestId("cell-" + id + "-vertical-60");
    assertThat(first).hasAttribute("data-state", "RENDERING");
    for (String spec : List.of("vertical-60", "feed-square")) {
      assertThat(page.getByTestId("cell-" + id + "-" + spec))
          .hasAttribute(
              "data-state",
              "DONE",
              new LocatorAssertions.HasAttributeOptions().setTimeout(240_000));
    }
    first.getByText("ready to post").click();
    page.getByTestId("result").evaluate("v => { v.muted = true; return v.play(); }");
    page.waitForFunction("() => document.querySelector('[data-testid=result]').currentTime > 0.5");
    Download download = page.waitForDownload(() -> page.getByTestId("zip").click());
    Path zip = folder.resolve("delivery.zip");
    download.saveAs(zip);
    try (ZipFile file = new ZipFile(zip.toFile())) {
      List<? extends ZipEntry> entries = file.stream().toList();
      assertThat(entries)
          .hasSize(6)
          .allMatch(e -> !e.getName().contains("/") && !e.getName().contains(".."));
      for (ZipEntry entry : entries) {
        Files.copy(file.getInputStream(entry), folder.resolve(entry.getName()));
      }
    }
    assertThat(Eye.probe(finished("vertical-60", "mp4"), "stream=width,height"))
        .startsWith("1080,1920");
    assertThat(Eye.probe(finished("feed-square", "mp4"), "stream=width,height"))
        .startsWith("1080,1080");
  }

  private Path finished(String spec, String extension) throws IOException {
    try (var files = Files.list(folder)) {
      return files
          .filter(f -> f.getFileName().toString().endsWith(spec + "." + extension))
          .findFirst()
          .orElseThrow();
    }
  }

  /**
   * The picture that the preview would show at a frame is the one in the file, within one frame.
   */
  @Test
  @Order(11)
  void theFileShowsWhatThePreviewShows() throws IOException {
    JsonNode preview = api("/api/clips/" + clip().path("id").asLong() + "/preview");
    Path file = finished("vertical-60", "mp4");
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
            Eye.difference(made, Eye.upperPart(episode.camera(), crop(preview, clipFrame), second));
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
  }

  /** One window for frames of the clip, in pixels of the recording. */
  private record Held(
      long clipFrame, long count, int person, double x, double y, double width, double height) {}

  /** The path as it is packed for sending: eight numbers for each window that is held. */
  private static List<Held> path(JsonNode preview) {
    List<Held> held = new ArrayList<>();
    JsonNode n = preview.path("path");
    for (int at = 0; at < n.size(); at += 8) {
      assertThat(n.get(at + 3).asInt()).as("one window").isEqualTo(1);
      held.add(
          new Held(
              n.get(at).asLong(),
              n.get(at + 1).asLong(),
              n.get(at + 2).asInt(),
              n.get(at + 4).asDouble(),
              n.get(at + 5).asDouble(),
              n.get(at + 6).asDouble(),
              n.get(at + 7).asDouble()));
    }
    return held;
  }

  private static String crop(JsonNode preview, long frame) {
    for (Held w : path(preview)) {
      if (frame >= w.clipFrame() && frame < w.clipFrame() + w.count()) {
        return String.format(
            java.util.Locale.ROOT,
            "crop=%.3f:%.3f:%.3f:%.3f:exact=1,",
            w.width(),
            w.height(),
            w.x(),
            w.y());
      }
    }
    throw new IllegalStateException("no window at frame " + frame);
  }

  /** Chromium's own WebVTT parser reads our subtitles. */
  @Test
  @Order(13)
  void chromiumReadsTheWebVtt() throws IOException {
    String vtt = Files.readString(finished("vertical-60", "vtt"), StandardCharsets.UTF_8);
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

  /**
   * A browser that cannot decode single pictures still plays the cut, leaping over what was pared.
   */
  @Test
  @Order(13)
  void withoutWebCodecsAPlainPlayerPlaysTheCut() {
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

  @Test
  @Order(14)
  void nothingWasAskedOfAnyOtherHostAndThePolicyHeld() {
    String own = server.address();
    assertThat(browser.requests)
        .isNotEmpty()
        .allMatch(r -> r.startsWith(own + "/") || r.startsWith("blob:" + own));
    assertThat(browser.errors).isEmpty();
  }
}
