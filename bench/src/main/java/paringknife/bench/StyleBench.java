package paringknife.bench;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** From a move of a slider of the lettering editor to the captions that have it on the plate. */
final class StyleBench {
  private static final double BUDGET_MS = 50;
  private static final int MOVES = 60;
  private static final int APART_MS = 250;

  /** Nobody has found the slider sooner. */
  private static final int LOOKED_FOR_MS = 2_000;

  private static final String TAP =
      """
      () => {
        window.styles = { moved: 0, took: [] };
        addEventListener('pointermove', (e) => { if (e.buttons) styles.moved = performance.now(); }, true);
        const plate = document.querySelector('[data-testid=captions]');
        new MutationObserver(() => {
          if (!plate.dataset.drawn || plate.dataset.script !== 'tried' || !styles.moved) return;
          styles.took.push(performance.now() - styles.moved);
          styles.moved = 0;
        }).observe(plate, { attributes: true });
      }
      """;

  private StyleBench() {}

  /** Of a clip of the episode that is served. */
  static void run(String address, long episode) throws Exception {
    JsonNode clip =
        Api.post(
            address + "/api/episodes/" + episode + "/clips",
            "{\"firstWord\":150,\"lastWord\":300,\"title\":\"Styled\"}");
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address + "/episodes/" + episode + "/letter?clip=" + clip.path("id").asLong());
      page.waitForSelector("[data-testid=plate][data-ready=true]");
      page.evaluate("() => paringKnifePlayer.seek(3e6)");
      page.waitForSelector("[data-testid=captions][data-drawn]");
      page.waitForTimeout(LOOKED_FOR_MS);
      page.evaluate(TAP);
      Locator size = page.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).first();
      BoundingBox box = size.boundingBox();
      double y = box.y + box.height / 2;
      page.mouse().move(box.x + box.width / 2, y);
      page.mouse().down();
      for (int i = 0; i < MOVES; i++) {
        page.mouse().move(box.x + box.width / 2 + 3 + i % 20, y);
        page.waitForTimeout(APART_MS);
      }
      page.mouse().up();
      double[] sorted =
          ((List<?>) page.evaluate("() => styles.took"))
              .stream().mapToDouble(t -> ((Number) t).doubleValue()).sorted().toArray();
      System.out.printf(
          Locale.ROOT,
          "a change of style on the plate, median / budget of %.0f ms: %.2f (95th percentile %.2f, of %d)%n",
          BUDGET_MS,
          sorted[sorted.length / 2] / BUDGET_MS,
          sorted[(int) (sorted.length * 0.95)] / BUDGET_MS,
          sorted.length);
    }
  }
}
