package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a producer sees and keeps when the server, its database or the browser is killed. */
class KilledServerTest extends FerryInBrowser {

  @Override
  FerryServer ferry(Path temporary) throws IOException, InterruptedException {
    return new FerryServer(FerryOnTheShelf.server(temporary.resolve("data")), new Browser());
  }

  @AfterAll
  void stop() {
    browser.close();
    server.close();
  }

  @Test
  void whatTheServerWasKilledOverIsWhollyThereOrNotAtAll() throws Exception {
    change("{\"type\":\"pareWords\",\"first\":40,\"last\":41}");
    for (int delay : new int[] {3, 12}) {
      JsonNode before = clip();
      java.net.http.HttpClient http = java.net.http.HttpClient.newHttpClient();
      String body =
          "{\"revision\":"
              + before.path("revision").asInt()
              + ",\"intent\":{\"type\":\"pareWords\",\"first\":50,\"last\":"
              + (50 + delay % 5)
              + "}}";
      var answer =
          http.sendAsync(
              java.net.http.HttpRequest.newBuilder(
                      URI.create(server.address() + "/api/clips/" + id + "/changes"))
                  .header("Content-Type", "application/json")
                  .POST(java.net.http.HttpRequest.BodyPublishers.ofString(body))
                  .build(),
              java.net.http.HttpResponse.BodyHandlers.ofString());
      Thread.sleep(delay);
      server.kill();
      boolean acknowledged = answer.handle((r, e) -> r != null && r.statusCode() == 200).get();
      server.start();
      JsonNode after = clip();
      int steps = after.path("revision").asInt() - before.path("revision").asInt();
      assertThat(steps).isBetween(acknowledged ? 1 : 0, 1);
      if (steps == 0) {
        assertThat(after).isEqualTo(before);
      } else {
        assertThat(after.path("pared").path("removals").size())
            .isEqualTo(before.path("pared").path("removals").size() + 1);
      }
    }
    openPare(page);
    assertThat(word(41)).hasClass(Pattern.compile("cut"));
    assertThat(page.getByTestId("saved")).hasText("Saved");
  }

  @Test
  void whatIsDoneWhileTheServerIsAwayIsKeptInTheWindowAndSent()
      throws IOException, InterruptedException {
    JsonNode before = clip();
    select(22, 23);
    int port = URI.create(server.address()).getPort();
    server.kill();
    page.keyboard().press("Backspace");
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("kept in this window");
    assertThat(page.getByTestId("saved")).hasText("Waiting");
    assertThat(word(23)).hasClass(Pattern.compile("cut"));
    select(26, 26);
    page.keyboard().press("Backspace");
    assertThat(word(26)).hasClass(Pattern.compile("cut"));
    assertThat(word(23)).hasClass(Pattern.compile("cut"));
    page.keyboard().press("Control+z");
    page.keyboard().press("Control+Shift+Z");
    server.start(port);
    assertThat(page.getByRole(AriaRole.ALERT)).containsText("Everything is saved");
    saved();
    assertThat(word(23)).hasClass(Pattern.compile("cut"));
    assertThat(clip().path("revision").asInt()).isEqualTo(before.path("revision").asInt() + 4);
    assertThat(clip().path("pared").path("removals").size())
        .isEqualTo(before.path("pared").path("removals").size() + 2);
  }

  @Test
  void everythingIsThereAfterServerBrowserAndDatabaseWereKilled()
      throws IOException, InterruptedException {
    page.locator("[data-w='44']").click();
    page.keyboard().press("Backspace");
    assertThat(page.locator("[data-w='44']")).hasClass(java.util.regex.Pattern.compile("cut"));
    saved();
    JsonNode before = clip();
    server.kill();
    browser.close();
    server.start();
    browser = new Browser();
    page = browser.page();
    page.navigate(server.address() + "/episodes/1/pare?clip=" + id);
    assertThat(page.locator("[data-w='44']")).hasClass(java.util.regex.Pattern.compile("cut"));
    assertThat(clip()).isEqualTo(before);
  }
}
