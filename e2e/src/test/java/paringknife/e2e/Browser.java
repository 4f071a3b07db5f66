package paringknife.e2e;

import com.google.gson.JsonElement;
import com.google.gson.JsonObject;
import com.microsoft.playwright.Browser.NewContextOptions;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.LongSupplier;

/** Debian's Chromium, headless, cut off from everything but this machine. */
final class Browser implements AutoCloseable {
  private static final List<String> ARGUMENTS =
      List.of(
          "--no-sandbox",
          "--disable-gpu",
          "--disable-quic",
          "--no-first-run",
          "--disable-background-networking",
          "--disable-component-update",
          "--disable-sync",
          "--autoplay-policy=no-user-gesture-required",
          // Pages live for seconds: what draws captions is compiled quickly, not well.
          "--js-flags=--liftoff-only",
          "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1");

  private final Playwright playwright;
  private final BrowserContext context;

  /** Addresses that pages asked for, in order. */
  final List<String> requests = new ArrayList<>();

  /** Errors that pages reported on their console, refusals by the content policy among them. */
  final List<String> errors = new ArrayList<>();

  static {
    PlaywrightAssertions.setDefaultAssertionTimeout(90_000);
  }

  Browser() {
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    context =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                    .setHeadless(true)
                    .setArgs(ARGUMENTS))
            .newContext(
                new NewContextOptions().setViewportSize(1280, 800).setAcceptDownloads(true));
    HeardInBrowser.tap(context);
    context.onRequest(r -> requests.add(r.url()));
  }

  /** A browser that remembers, in a folder, what pages stored in it. */
  Browser(Path profile) {
    playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    context =
        playwright
            .chromium()
            .launchPersistentContext(
                profile,
                new BrowserType.LaunchPersistentContextOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                    .setHeadless(true)
                    .setArgs(ARGUMENTS)
                    .setViewportSize(1280, 800));
    context.onRequest(r -> requests.add(r.url()));
  }

  /** Lets pages send at most so many bytes a second. */
  void sendsAtMost(Page page, int bytesPerSecond) {
    JsonObject limits = new JsonObject();
    limits.addProperty("offline", false);
    limits.addProperty("latency", 0);
    limits.addProperty("downloadThroughput", -1);
    limits.addProperty("uploadThroughput", bytesPerSecond);
    context.newCDPSession(page).send("Network.emulateNetworkConditions", limits);
  }

  /** Counts how often a page lays itself out from now on. */
  LongSupplier layouts(Page page) {
    CDPSession session = context.newCDPSession(page);
    session.send("Performance.enable");
    return () -> {
      for (JsonElement metric : session.send("Performance.getMetrics").getAsJsonArray("metrics")) {
        if (metric.getAsJsonObject().get("name").getAsString().equals("LayoutCount")) {
          return metric.getAsJsonObject().get("value").getAsLong();
        }
      }
      throw new IllegalStateException("Chromium does not count layouts");
    };
  }

  /** Whether pages can decode single pictures; without that they fall back to a plain player. */
  void withoutWebCodecs() {
    context.addInitScript("delete window.VideoDecoder;");
  }

  Page page() {
    Page page = context.newPage();
    page.setDefaultTimeout(90_000);
    page.onConsoleMessage(
        m -> {
          if (m.type().equals("error")) {
            errors.add(m.text());
          }
        });
    page.onPageError(errors::add);
    return page;
  }

  @Override
  public void close() {
    context.close();
    playwright.close();
  }
}
