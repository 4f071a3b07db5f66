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
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;

/** A transcript of three hours and 30,000 words in the real interface, with the browser's own record of long tasks. */
class LongEpisodeTest {
  private static final int WORDS = 30_000;
  private static final int STEPS = 90;
  private static final int PASSES = 8;
  private static final String[] SAID = {"the", "wheel", "stopped", "in", "winter", "and", "nobody", "heard", "it", "until", "somebody", "went", "down", "to", "look"};

  @TempDir Path folder;

  private static void makeTranscript(Path file) throws IOException {
    Random random = new Random(5);
    StringBuilder json = new StringBuilder("{\"language\":\"en\",\"speakers\":[\"Ada\",\"Ben\"],\"words\":[");
    for (int i = 0; i < WORDS; i++) {
      double start = i * 0.36;
      json.append(i == 0 ? "" : ",").append(String.format(Locale.ROOT, "{\"text\":\"%s%s\",\"start\":%.3f,\"end\":%.3f,\"speaker\":%d}", SAID[random.nextInt(SAID.length)], i % 12 == 11 ? "." : "", start, start + 0.3, i / 120 % 2));
    }
    Files.writeString(file, json.append("]}").toString());
  }

  /** Lengths of tasks of 50 ms and more while the page is scrolled from end to end, ms. */
  @SuppressWarnings("unchecked")
  private static List<Number> longTasksWhileScrolling(Page page) {
    return (List<Number>)
        page.evaluate(
            """
            async () => {
              const found = [];
              const watch = new PerformanceObserver((list) => list.getEntries().forEach((e) => found.push(Math.round(e.duration))));
              watch.observe({ type: 'longtask' });
              const page = document.querySelector('[data-testid=galley]');
              for (let step = 0; step < 90; step++) {
                page.scrollTop += step < 60 ? 400 : 40_000;
                await new Promise((next) => requestAnimationFrame(() => setTimeout(next, 0)));
              }
              await new Promise((next) => setTimeout(next, 300));
              found.push(...watch.takeRecords().map((e) => Math.round(e.duration)));
              watch.disconnect();
              page.scrollTop = 0;
              return found;
            }""");
  }

  @Test
  void itIsScrolledWithoutLongTasksAndCorrectedAtItsEnd() throws Exception {
    Path media = Files.createDirectories(folder.resolve("media"));
    ChildProcess.run(List.of("ffmpeg", "-nostdin", "-y", "-v", "error", "-f", "lavfi", "-t", "4", "-i", "testsrc2=s=640x360:r=25", "-f", "lavfi", "-t", "4", "-i", "sine", "-c:v", "libx264", "-preset", "ultrafast", media.resolve("long.mp4").toString()), null, Duration.ofMinutes(1));
    makeTranscript(media.resolve("long.json"));
    try (ServerUnderTest server = new ServerUnderTest(folder.resolve("data"), media);
        Browser browser = new Browser()) {
      Page page = browser.page();
      page.navigate(server.address());
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an episode")).click();
      page.getByLabel("Recording", new Page.GetByLabelOptions().setExact(true)).selectOption("long.mp4");
      page.getByLabel("Its words").selectOption("file");
      page.getByLabel("Transcript", new Page.GetByLabelOptions().setExact(true)).selectOption("long.json");
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it on the shelf")).click();
      page.locator("[data-testid=episode] img").waitFor(new Locator.WaitForOptions().setTimeout(60_000));
      page.navigate(server.address() + "/episodes/1");
      page.locator("[data-w='20']").waitFor();
      page.waitForTimeout(2_000);
      int calmest = Integer.MAX_VALUE;
      for (int pass = 0; pass < PASSES && calmest > 0; pass++) {
        List<Number> tasks = longTasksWhileScrolling(page);
        System.out.println("long tasks while scrolling 30,000 words, ms: " + tasks);
        calmest = Math.min(calmest, tasks.size());
      }
      // Whatever else the machine does makes tasks long; a page that is slow itself is so at every step.
      assertThat(calmest).as("long tasks in %d steps, in the calmest of %d passes", STEPS, PASSES).isLessThanOrEqualTo(STEPS / 10);

      page.getByTestId("galley").evaluate("(galley) => { galley.scrollTop = galley.scrollHeight; }");
      Locator last = page.locator("[data-w='" + (WORDS - 1) + "']");
      last.click();
      page.keyboard().press("t");
      page.keyboard().type("sluice.");
      page.keyboard().press("Enter");
      page.locator("[data-w='" + (WORDS - 1) + "']", new Page.LocatorOptions().setHasText("sluice.")).waitFor();
      assertThat(page.getByTestId("saved").textContent()).isIn("Saving", "Saved");
    }
  }
}
