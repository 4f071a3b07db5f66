package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.TestInstance;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A server of its own with the made episode on its shelf, and a page of a browser: walked step by
 * step.
 */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
abstract class FerryInBrowser {
  private static final JsonMapper JSON = new JsonMapper();

  Path folder;
  MadeEpisode episode;
  ServerUnderTest server;
  Browser browser;
  Page page;

  @BeforeAll
  void start(@TempDir Path temporary) throws IOException, InterruptedException {
    folder = temporary;
    Path media = Files.createDirectories(folder.resolve("media"));
    episode = MadeEpisode.ferry(media);
    server = new ServerUnderTest(folder.resolve("data"), media);
    browser = new Browser();
    page = browser.page();
  }

  @AfterAll
  void stop() {
    browser.close();
    server.close();
  }

  JsonNode api(String path) {
    return JSON.readTree(page.request().get(server.address() + path).text());
  }

  void saved() {
    assertThat(page.getByTestId("saved")).hasText("Saved");
  }
}
