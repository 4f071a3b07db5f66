package paringknife.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/** Debian's Chromium without a window, and pages in it. */
final class HeadlessBrowser implements AutoCloseable {
  private static final List<String> ARGUMENTS =
      List.of(
          "--no-sandbox",
          "--disable-gpu",
          "--disable-background-networking",
          "--autoplay-policy=no-user-gesture-required",
          "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1");

  private final Playwright playwright =
      Playwright.create(
          new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
  private final Browser chromium =
      playwright
          .chromium()
          .launch(
              new BrowserType.LaunchOptions()
                  .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                  .setArgs(ARGUMENTS));

  /** A new page with nothing remembered from others. */
  Page page() {
    return chromium
        .newContext(new Browser.NewContextOptions().setViewportSize(1280, 800))
        .newPage();
  }

  /** A phone with nothing remembered from others. */
  BrowserContext phone() {
    return chromium.newContext(
        new Browser.NewContextOptions()
            .setViewportSize(390, 780)
            .setDeviceScaleFactor(2)
            .setIsMobile(true)
            .setHasTouch(true));
  }

  @Override
  public void close() {
    chromium.close();
    playwright.close();
  }
}
