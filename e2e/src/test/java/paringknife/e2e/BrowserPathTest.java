package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The path of a producer in the real interface: shelf, pick, pare, frame, letter, deliver. */
class BrowserPathTest extends FerryInBrowser {

  private void openWholeEpisode() {
    page.navigate(server.address() + "/episodes/1/pick");
    page.locator("[data-testid=plate][data-ready=true]").waitFor();
    assertThat(word(0)).isVisible();
  }

  @Test
  void theShelfOpensTheEpisode() {
    page.navigate(server.address());
    assertThat(page.getByText("The last ferry")).isVisible();
    assertThat(page.locator("img[src*=poster]")).isVisible();
    page.getByText("The last ferry").click();
    assertThat(page.locator("[data-w='0']")).hasText("Um,");
    assertThat(page.getByTestId("plate")).hasAttribute("data-ready", "true");
  }

  @Test
  void wordsFollowWhilePlayingAndSearchCountsHits() {
    openWholeEpisode();
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
  void picksComeWithReasonsAndAStretchOfWordsBecomesAClip() {
    openWholeEpisode();
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
    assertThat(page.getByTestId("clip")).hasCount(2);
    assertThat(page.getByTestId("gauge")).isVisible();
    page.waitForURL("**/pare?clip=*");
  }

  @Test
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
  void undoAndRedoWorkAlsoAfterAReload() {
    change("{\"type\":\"pareWords\",\"first\":7,\"last\":11}");
    change("{\"type\":\"putBackWords\",\"first\":7,\"last\":11}");
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
  void theFrameHoldsWhoeverSpeaks() {
    openStage("Frame");
    assertThat(page.getByText("Ada Moor", new Page.GetByTextOptions().setExact(true)).last())
        .isVisible();
    JsonNode preview = api("/api/clips/" + id + "/preview");
    JsonNode card = api("/api/episodes/1");
    List<String> held = new ArrayList<>();
    for (Held window : Held.of(preview)) {
      held.add(card.path("people").get(window.person()).path("name").asString());
    }
    assertThat(held).startsWith("Ada Moor", "Ben Ford");
    assertThat(card.path("people").get(0).path("name").asString()).isEqualTo("Ada Moor");
  }

  private JsonNode cues() {
    return api("/api/clips/" + id + "/cues");
  }

  @Test
  void captionsAreDrawnAndTheLetteringChanges() throws IOException {
    openStage("Letter");
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

  @Test
  void clipsAreTickedRenderedPlayedAndTakenHome() throws IOException {
    openAShorterOne(5);
    openStage("Deliver");
    page.getByTestId("cell-" + id + "-vertical-60").getByRole(AriaRole.CHECKBOX).check();
    assertThat(page.getByTestId("done")).hasText("0 of 1 file");
    page.getByTestId("cell-" + id + "-feed-square").getByRole(AriaRole.CHECKBOX).check();
    assertThat(page.getByTestId("render")).hasText("Render 2 files");
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
    page.getByTestId("take-home").click();
    Download download = page.waitForDownload(() -> page.getByTestId("zip").click());
    Path zip = folder.resolve("delivery.zip");
    download.saveAs(zip);
    try (ZipFile file = new ZipFile(zip.toFile())) {
      List<? extends ZipEntry> entries = file.stream().toList();
      assertThat(entries)
          .hasSize(11)
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

  @AfterEach
  void nothingWasAskedOfAnyOtherHostAndThePolicyHeld() {
    String own = server.address();
    assertThat(browser.requests)
        .isNotEmpty()
        .allMatch(r -> r.startsWith(own + "/") || r.startsWith("blob:" + own));
    assertThat(browser.errors).isEmpty();
  }
}
