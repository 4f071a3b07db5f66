package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.KeyboardModifier;
import com.microsoft.playwright.options.RequestOptions;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A server with the made episode on its shelf, and a page of a browser. Every test has a clip and a
 * page of its own and needs nothing of another one; what it changes of the episode it puts back.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
abstract class FerryInBrowser {
  private static final int LAST_WORD = 60;
  private static final JsonMapper JSON = new JsonMapper();

  /** A page comes back to where the player was left; a test's page was left nowhere yet. */
  private static final String FORGET_THE_PLACE =
      """
      if (location.protocol === 'http:' && !sessionStorage.getItem('begun')) {
        localStorage.removeItem('paring-knife-reading');
        sessionStorage.setItem('begun', 'yes');
      }
      """;

  @RegisterExtension
  final SeenWhenItFailed seen = new SeenWhenItFailed(() -> this.page, () -> this.browser);

  @TempDir Path folder;

  MadeEpisode episode;
  ServerUnderTest server;
  Browser browser;
  Page page;
  long id;

  @BeforeAll
  void start(@TempDir Path temporary) throws IOException, InterruptedException {
    episode = FerryOnTheShelf.episode();
    FerryServer ferry = ferry(temporary);
    server = ferry.server();
    browser = ferry.browser();
  }

  /** The one that is shared, unless a test does to it what others would not like. */
  FerryServer ferry(Path temporary) throws IOException, InterruptedException {
    return FerryServer.shared();
  }

  @BeforeEach
  void openAClipOfItsOwn() {
    browser.requests.clear();
    browser.errors.clear();
    page = browser.page();
    page.addInitScript(FORGET_THE_PLACE);
    id = makeClip(LAST_WORD);
    openPare(page);
  }

  @AfterEach
  void binIt() {
    page.close();
    Page last = browser.page();
    for (JsonNode clip : api(last, "/api/episodes/1/clips")) {
      last.request().delete(server.address() + "/api/clips/" + clip.path("id").asLong());
    }
    last.close();
  }

  long makeClip(int lastWord) {
    return post(
            "/api/episodes/1/clips",
            "{\"firstWord\":0,\"lastWord\":%d,\"title\":\"The rope\"}".formatted(lastWord))
        .path("id")
        .asLong();
  }

  /** Another clip in place of the one that is open; what is encoded need not be long. */
  void openAShorterOne(int lastWord) {
    page.navigate("about:blank");
    page.request().delete(server.address() + "/api/clips/" + id);
    id = makeClip(lastWord);
    openPare(page);
  }

  /** Changes the clip behind the page, which follows. */
  void change(String intent) {
    post(
        "/api/clips/" + id + "/changes",
        "{\"revision\":%d,\"intent\":%s}".formatted(clip().path("revision").asInt(), intent));
  }

  /** Fillers and pauses out: a clip of many joins. */
  void pareAll() {
    change("{\"type\":\"pareFillers\"}");
    change(
        "{\"type\":\"parePauses\",\"thresholdDb\":-38,\"shortest\":0.5,\"head\":0.02,\"tail\":0.15}");
    openPare(page);
  }

  void openPare(Page where) {
    where.navigate(server.address() + "/episodes/1/pare?clip=" + id);
    where.locator("[data-testid=plate][data-ready=true]").waitFor();
    assertThat(where.locator("[data-w='0']")).isVisible();
  }

  void openStage(String name) {
    page.locator("nav[aria-label=Stages] button")
        .filter(new Locator.FilterOptions().setHasText(name))
        .click();
  }

  JsonNode clip() {
    return api("/api/clips/" + id);
  }

  Locator word(int index) {
    return page.locator("[data-w='" + index + "']");
  }

  void select(int first, int last) {
    word(first).click();
    word(last).click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
  }

  JsonNode api(String path) {
    return api(page, path);
  }

  private JsonNode api(Page from, String path) {
    return JSON.readTree(from.request().get(server.address() + path).text());
  }

  JsonNode post(String path, String body) {
    APIResponse answer =
        page.request()
            .post(
                server.address() + path,
                RequestOptions.create()
                    .setHeader("Content-Type", "application/json")
                    .setData(body));
    assertThat(answer.ok()).as(answer.text()).isTrue();
    return answer.text().isEmpty() ? null : JSON.readTree(answer.text());
  }

  /**
   * The upright spec in small, which is encoded in a quarter of the time.
   *
   * @return its id
   */
  String smallSpec() {
    return smallSpec("vertical-60", "Small", 360, 640);
  }

  /**
   * A shipped spec with another name and another picture.
   *
   * @return its id
   */
  String smallSpec(String shipped, String name, int width, int height) {
    try {
      return server.smallSpec(shipped, name, width, height);
    } catch (IOException | InterruptedException e) {
      throw new IllegalStateException(e);
    }
  }

  void saved() {
    assertThat(page.getByTestId("saved")).hasText("Saved");
  }

  /**
   * Shows a time of the clip, and waits until captions of the saved clip, not of what it was, are
   * drawn for it.
   */
  void seekWithCaptions(long us) {
    page.evaluate("us => paringKnifePlayer.seek(us)", (double) us);
    String saved = "[data-script*='clip=" + clip().path("revision").asLong() + "&']";
    page.locator("[data-testid=captions]" + saved + "[data-drawn='" + us + "']")
        .waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
  }

  /**
   * What stands on the canvas of the captions; the worker's drawing reaches it after the worker has
   * said so.
   */
  Path captionsOnGround() throws IOException {
    String drawn =
        (String)
            page.evaluate(
                "() => { const c = document.querySelector('[data-testid=captions]'); const o = document.createElement('canvas'); o.width = c.width; o.height = c.height;"
                    + " const x = o.getContext('2d'); x.fillStyle = '#205030'; x.fillRect(0, 0, o.width, o.height); x.drawImage(c, 0, 0); return o.toDataURL('image/png'); }");
    return Files.write(
        folder.resolve("browser.png"),
        Base64.getDecoder().decode(drawn.substring(drawn.indexOf(',') + 1)));
  }
}
