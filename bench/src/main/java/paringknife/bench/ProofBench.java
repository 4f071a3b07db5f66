package paringknife.bench;

import com.google.gson.JsonObject;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.WaitUntilState;
import java.nio.file.Path;
import java.time.Duration;
import tools.jackson.databind.JsonNode;

/** A link that a guest opens on a phone, over a slow line. */
final class ProofBench {
  private static final double BUDGET_MS = 2_000;
  private static final int VISITS = 9;

  /** A slow line of a phone, common practice: 1.6 Mbit/s, and 150 ms there and back. */
  private static final int BYTES_PER_SECOND = 1_600_000 / 8;

  private static final int LATENCY_MS = 150;

  private static final Duration SHOWN_WITHIN = Duration.ofMinutes(2);
  private static final int LOOK_AGAIN_MS = 500;

  private ProofBench() {}

  /**
   * @param ingested folder of the episode, which is taken in where it has not been
   */
  static void run(Path demo, Path ingested, Path work) throws Exception {
    try (ServedDemo served = ServedDemo.open(demo, ingested, work);
        HeadlessBrowser browser = new HeadlessBrowser()) {
      String link = link(served);
      double[] took = new double[VISITS];
      for (int i = 0; i < VISITS; i++) {
        took[i] = visit(browser.phone(), link);
      }
      LongTranscriptBench.report(
          "a proof on a phone that was never there, until its text can be read", took, BUDGET_MS);
    }
  }

  private static String link(ServedDemo served) throws Exception {
    String episode = served.address() + "/api/episodes/" + served.episode();
    long clip =
        Api.post(episode + "/clips", "{\"firstWord\":20,\"lastWord\":120,\"title\":\"Shown\"}")
            .path("id")
            .asLong();
    String token =
        Api.post(
                episode + "/proofs",
                "{\"title\":\"To be looked at\",\"clips\":["
                    + clip
                    + "],\"days\":3,\"downloads\":true}")
            .path("token")
            .asString();
    long until = System.nanoTime() + SHOWN_WITHIN.toNanos();
    while (!made(Api.get(served.address() + "/api/proof/" + token))) {
      if (System.nanoTime() > until) {
        throw new IllegalStateException("the film of the proof was not made");
      }
      Thread.sleep(LOOK_AGAIN_MS);
    }
    return served.address() + "/proof/" + token;
  }

  private static boolean made(JsonNode proof) {
    return proof.path("clips").path(0).path("file").isInt();
  }

  /** Milliseconds from the touch of a link to the words. */
  private static double visit(BrowserContext phone, String link) {
    try (phone) {
      Page page = phone.newPage();
      CDPSession line = phone.newCDPSession(page);
      line.send("Network.enable");
      JsonObject limits = new JsonObject();
      limits.addProperty("offline", false);
      limits.addProperty("latency", LATENCY_MS);
      limits.addProperty("downloadThroughput", BYTES_PER_SECOND);
      limits.addProperty("uploadThroughput", BYTES_PER_SECOND);
      line.send("Network.emulateNetworkConditions", limits);
      long from = System.nanoTime();
      page.navigate(link, new Page.NavigateOptions().setWaitUntil(WaitUntilState.COMMIT));
      page.waitForSelector("[data-w='3']");
      return (System.nanoTime() - from) / 1e6;
    }
  }
}
