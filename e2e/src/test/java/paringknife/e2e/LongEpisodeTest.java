package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.LongSupplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;

/**
 * A transcript of 30,000 words, as three hours of talk have, in the real interface, of which only
 * what is in sight may cost anything. They are said within the four seconds of its recording.
 */
class LongEpisodeTest {
  private static final int WORDS = 30_000;
  private static final int STEPS = 60;
  private static final String[] SAID = {
    "the",
    "wheel",
    "stopped",
    "in",
    "winter",
    "and",
    "nobody",
    "heard",
    "it",
    "until",
    "somebody",
    "went",
    "down",
    "to",
    "look"
  };

  @TempDir Path folder;

  private static void makeTranscript(Path file) throws IOException {
    Random random = new Random(5);
    StringBuilder json =
        new StringBuilder("{\"language\":\"en\",\"speakers\":[\"Ada\",\"Ben\"],\"words\":[");
    for (int i = 0; i < WORDS; i++) {
      double start = i * 0.00013;
      json.append(i == 0 ? "" : ",")
          .append(
              String.format(
                  Locale.ROOT,
                  "{\"text\":\"%s%s\",\"start\":%.6f,\"end\":%.6f,\"speaker\":%d}",
                  SAID[random.nextInt(SAID.length)],
                  i % 12 == 11 ? "." : "",
                  start,
                  start + 0.0001,
                  i / 120 % 2));
    }
    Files.writeString(file, json.append("]}").toString());
  }

  /**
   * Scrolls from end to end; answers the most elements that stood in the galley, and the most that
   * came into it in one step.
   */
  @SuppressWarnings("unchecked")
  private static List<Integer> elementsWhileScrolling(Page page) {
    return (List<Integer>)
        page.evaluate(
            """
            async (steps) => {
              const page = document.querySelector('[data-testid=galley]');
              let came = 0;
              let mostCame = 0;
              let mostStood = 0;
              const watch = new MutationObserver((changes) => {
                for (const change of changes) for (const node of change.addedNodes) came += 1 + (node.querySelectorAll?.('*').length ?? 0);
              });
              watch.observe(page, { childList: true, subtree: true });
              for (let step = 0; step < steps; step++) {
                came = 0;
                page.scrollTop += step < steps / 2 ? 400 : page.scrollHeight / 30;
                for (let frame = 0; frame < 3; frame++) await new Promise((next) => requestAnimationFrame(() => setTimeout(next, 0)));
                mostCame = Math.max(mostCame, came);
                mostStood = Math.max(mostStood, page.querySelectorAll('*').length);
              }
              watch.disconnect();
              page.scrollTop = 0;
              return [mostStood, mostCame];
            }""",
            STEPS);
  }

  @Test
  void whatIsOutOfSightCostsNothingAndTheEndIsCorrected() throws Exception {
    Path media = Files.createDirectories(folder.resolve("media"));
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-t",
            "4",
            "-i",
            "testsrc2=s=640x360:r=25",
            "-f",
            "lavfi",
            "-t",
            "4",
            "-i",
            "sine",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            media.resolve("long.mp4").toString()),
        null,
        Duration.ofMinutes(1));
    makeTranscript(media.resolve("long.json"));
    try (ServerUnderTest server = new ServerUnderTest(folder.resolve("data"), media);
        Browser browser = new Browser()) {
      Page page = browser.page();
      page.navigate(server.address());
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an episode"))
          .click();
      page.getByLabel("Recording", new Page.GetByLabelOptions().setExact(true))
          .selectOption("long.mp4");
      page.getByLabel("Its words").selectOption("file");
      page.getByLabel("Transcript", new Page.GetByLabelOptions().setExact(true))
          .selectOption("long.json");
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it on the shelf"))
          .click();
      page.locator("[data-testid=episode] img")
          .waitFor(new Locator.WaitForOptions().setTimeout(300_000));
      page.navigate(server.address() + "/episodes/1");
      page.locator("[data-w='20']").waitFor();
      page.locator("[data-testid=plate][data-ready=true]").waitFor();
      assertThat(browser.requests)
          .as("the text, which is large, is fetched once")
          .filteredOn(r -> r.endsWith("/api/episodes/1/transcript"))
          .hasSize(1);
      LongSupplier counted = browser.layouts(page);
      long before = counted.getAsLong();
      List<Integer> elements = elementsWhileScrolling(page);
      long layouts = counted.getAsLong() - before;
      System.out.printf(
          "scrolling %,d words in %d steps: at most %d elements at once, %d new in a step, %d layouts%n",
          WORDS, STEPS, elements.get(0), elements.get(1), layouts);
      assertThat(elements.get(0)).as("elements at once").isBetween(300, WORDS / 10);
      assertThat(elements.get(1))
          .as("elements made in one step")
          .isLessThanOrEqualTo(elements.get(0));
      assertThat(layouts).as("layouts in %d steps", STEPS).isBetween(1L, STEPS * 3L);

      page.getByTestId("galley")
          .evaluate("(galley) => { galley.scrollTop = galley.scrollHeight; }");
      Locator last = page.locator("[data-w='" + (WORDS - 1) + "']");
      last.click();
      page.keyboard().press("t");
      page.keyboard().type("sluice.");
      page.keyboard().press("Enter");
      page.locator(
              "[data-w='" + (WORDS - 1) + "']", new Page.LocatorOptions().setHasText("sluice."))
          .waitFor();
      assertThat(page.getByTestId("saved").textContent()).isIn("Saving", "Saved");
    }
  }
}
