package paringknife.bench;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** Pictures on the plate while a window is dragged over the whole picture. */
final class DragBench {
  private static final double WANTED = 60;
  private static final double SECONDS = 3;
  private static final int REACH = 40;
  private static final int MOVES_THERE = 20;

  /**
   * Counts pictures of the page: all, those with a move of the pointer, and of these the plate's.
   */
  private static final String TAP =
      """
      () => {
        const plate = document.querySelector('[data-testid=plate] canvas');
        window.plates = { counting: false, all: 0, moved: 0, followed: 0 };
        let drawn = false;
        let moved = false;
        const draw = CanvasRenderingContext2D.prototype.drawImage;
        CanvasRenderingContext2D.prototype.drawImage = function (...what) {
          if (this.canvas === plate) drawn = true;
          return draw.apply(this, what);
        };
        addEventListener('pointermove', (e) => { if (e.buttons) moved = true; }, true);
        const frame = () => {
          if (plates.counting) {
            plates.all++;
            if (moved) plates.moved++;
            if (moved && drawn) plates.followed++;
          }
          drawn = moved = false;
          requestAnimationFrame(frame);
        };
        requestAnimationFrame(frame);
      }
      """;

  private DragBench() {}

  /** In a clip of the episode that is served, as it was recorded and before a soft ground. */
  static void run(String address, long episode) throws Exception {
    JsonNode clip =
        Api.post(
            address + "/api/episodes/" + episode + "/clips",
            "{\"firstWord\":150,\"lastWord\":250,\"title\":\"Dragged\"}");
    long id = clip.path("id").asLong();
    drag(address + "/episodes/" + episode + "/frame?clip=" + id, "as recorded");
    Api.post(
        address + "/api/clips/" + id + "/changes",
        "{\"revision\":"
            + clip.path("revision").asInt()
            + ",\"intent\":{\"type\":\"changeBehind\",\"ground\":\"SOFT\"}}");
    drag(address + "/episodes/" + episode + "/frame?clip=" + id, "before a soft ground");
  }

  private static void drag(String address, String how) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      page.waitForSelector("[data-testid=plate][data-ready=true]");
      page.waitForSelector("[data-testid=whole][data-frame]");
      page.waitForTimeout(3_000);
      page.evaluate(TAP);
      BoundingBox window = page.getByTestId("window").boundingBox();
      double x = window.x + window.width / 2;
      double y = window.y + window.height / 2;
      page.mouse().move(x, y);
      page.mouse().down();
      page.mouse().move(x - REACH / 4.0, y);
      page.evaluate("() => { plates.counting = true; }");
      long began = System.nanoTime();
      for (int n = 0; (System.nanoTime() - began) / 1e9 < SECONDS; n++) {
        page.mouse().move(x + REACH * Math.sin((double) n / MOVES_THERE), y);
      }
      double took = (System.nanoTime() - began) / 1e9;
      double pictures = counted(page, "all") / took;
      double followed = counted(page, "followed") / counted(page, "moved");
      page.keyboard().press("Escape");
      page.mouse().up();
      System.out.printf(
          Locale.ROOT,
          "60 pictures a second / those of the page while a window is dragged, %s: %.2f (%.0f a second; the plate follows in %.2f of those with a move)%n",
          how,
          WANTED / pictures,
          pictures,
          followed);
    }
  }

  private static double counted(Page page, String what) {
    return ((Number) page.evaluate("what => plates[what]", what)).doubleValue();
  }
}
