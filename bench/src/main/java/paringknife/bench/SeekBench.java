package paringknife.bench;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;

/**
 * From a seek to its picture on the plate, and from the key to what is heard, in the browser, on
 * the demo's first episode.
 */
final class SeekBench {
  private static final double BUDGET_MS = 150;
  private static final int SEEKS = 60;
  private static final double START_BUDGET_MS = 1_000;
  private static final int STARTS = 20;

  private SeekBench() {}

  /** Of an episode that is served. */
  static void run(ServedDemo served) {
    seek(served.address() + "/episodes/" + served.episode(), served.durationUs());
    start(served.address(), served.episode());
  }

  /**
   * A pared clip as it was recorded, and one with gaps and a cleaned voice, whose sound the server
   * joins.
   */
  private static void start(String address, long episode) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      for (boolean dressed : new boolean[] {false, true}) {
        Object clip =
            page.evaluate(
                "async ([episode, dressed]) => { const send = async (path, body) => (await fetch('/api' + path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })).json();"
                    + " const clip = await send('/episodes/' + episode + '/clips', { firstWord: 150, lastWord: 400, title: 'Bench' }); let revision = clip.revision;"
                    + " const change = async (intent) => { revision = (await send('/clips/' + clip.id + '/changes', { revision, intent })).revision; };"
                    + " for (let word = 160; word < 390; word += 12) await change({ type: 'pareWords', first: word, last: word + 1 });"
                    + " if (dressed) { for (let word = 170; word < 390; word += 40) await change({ type: 'putGap', word, seconds: 0.4 }); await change({ type: 'cleanUp', hum: true, noise: true, even: true, sibilance: true }); }"
                    + " return clip.id; }",
                List.of((double) episode, dressed));
        page.navigate(
            address + "/episodes/" + episode + "/pare?clip=" + ((Number) clip).longValue());
        page.waitForSelector("[data-testid=plate][data-ready=true]");
        page.waitForTimeout(2_500);
        Object took =
            page.evaluate(
                "async (starts) => { const took = []; for (let i = 0; i < starts; i++) { await paringKnifePlayer.seek(((i * 7919) % 61) * 1e6); await new Promise((r) => setTimeout(r, 400));"
                    + " const from = performance.now(); await paringKnifePlayer.play(); took.push(performance.now() - from + 60); await new Promise((r) => setTimeout(r, 300)); paringKnifePlayer.pause(); } return took; }",
                STARTS);
        double[] sorted =
            ((List<?>) took)
                .stream().mapToDouble(t -> ((Number) t).doubleValue()).sorted().toArray();
        double p95 = sorted[(int) (STARTS * 0.95)];
        System.out.printf(
            Locale.ROOT,
            "a preview from the key to its sound, %s, 95th percentile / budget of %.0f ms: %.2f (%.0f ms; median %.0f ms)%n",
            dressed ? "gaps and a cleaned voice" : "cut only",
            START_BUDGET_MS,
            p95 / START_BUDGET_MS,
            p95,
            sorted[STARTS / 2]);
      }
    }
  }

  private static void seek(String address, long durationUs) {
    try (HeadlessBrowser browser = new HeadlessBrowser()) {
      Page page = browser.page();
      page.navigate(address);
      page.waitForSelector("[data-testid=plate][data-ready=true]");
      page.waitForTimeout(1_000);
      Object took =
          page.evaluate(
              "async ([seeks, duration]) => { const took = []; for (let i = 0; i < seeks; i++) { const us = ((i * 7919) % 997) / 997 * duration * 0.98; const from = performance.now();"
                  + " await paringKnifePlayer.seek(us); took.push(performance.now() - from); await new Promise((r) => setTimeout(r, 30)); } return took; }",
              List.of(SEEKS, (double) durationUs));
      double[] sorted =
          ((List<?>) took).stream().mapToDouble(t -> ((Number) t).doubleValue()).sorted().toArray();
      double p95 = sorted[(int) (SEEKS * 0.95)];
      System.out.printf(
          Locale.ROOT,
          "a seek to its picture, 95th percentile / budget of %.0f ms: %.2f (%.0f ms; median %.0f ms)%n",
          BUDGET_MS,
          p95 / BUDGET_MS,
          p95,
          sorted[SEEKS / 2]);
    }
  }
}
