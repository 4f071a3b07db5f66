package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import paringknife.media.process.ChildProcess;

/**
 * Words gathered in two episodes, moved by keys and by dragging, and typed along, in the real
 * interface.
 */
class PlacesTest {
  @TempDir Path folder;

  private static void make(Path media, String name, String text) throws Exception {
    ChildProcess.run(
        List.of(
            "ffmpeg",
            "-nostdin",
            "-y",
            "-v",
            "error",
            "-f",
            "lavfi",
            "-t",
            "8",
            "-i",
            "testsrc2=s=320x180:r=25",
            "-f",
            "lavfi",
            "-t",
            "8",
            "-i",
            "sine",
            "-c:v",
            "libx264",
            "-preset",
            "ultrafast",
            "-g",
            "25",
            media.resolve(name + ".mp4").toString()),
        null,
        Duration.ofMinutes(1));
    StringBuilder json =
        new StringBuilder("{\"language\":\"en\",\"speakers\":[\"" + name + "\"],\"words\":[");
    String[] words = text.split(" ");
    for (int i = 0; i < words.length; i++) {
      json.append(i == 0 ? "" : ",")
          .append(
              String.format(
                  Locale.ROOT,
                  "{\"text\":\"%s\",\"start\":%.2f,\"end\":%.2f,\"speaker\":0}",
                  words[i],
                  0.5 + i * 0.6,
                  0.9 + i * 0.6));
    }
    Files.writeString(media.resolve(name + ".json"), json.append("]}").toString());
  }

  private static void add(Page page, String name, String words) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an episode")).click();
    page.getByLabel("Recording", new Page.GetByLabelOptions().setExact(true))
        .selectOption(name + ".mp4");
    page.getByLabel("Its words").selectOption(words);
    if (words.equals("file")) {
      page.getByLabel("Transcript", new Page.GetByLabelOptions().setExact(true))
          .selectOption(name + ".json");
    }
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put it on the shelf"))
        .click();
    page.getByTestId("episode")
        .filter(new Locator.FilterOptions().setHasText(name))
        .locator("img")
        .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
  }

  private static void select(Page page, int first, int last) {
    page.locator("[data-w='" + first + "']").click();
    page.locator("[data-w='" + last + "']")
        .click(
            new Locator.ClickOptions()
                .setModifiers(List.of(com.microsoft.playwright.options.KeyboardModifier.SHIFT)));
  }

  private static String shown(Page page) {
    return String.join(" ", page.locator("[data-w]").allTextContents());
  }

  private static void open(Page page, String address, String name) {
    page.navigate(address);
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name)).first().click();
    page.locator("[data-w='0']").waitFor();
  }

  @Test
  void wordsOfTwoEpisodesBecomeAClipInWhichTheyMove() throws Exception {
    Path media = Files.createDirectories(folder.resolve("media"));
    make(media, "mill", "The wheel stopped in winter. Nobody heard it stop.");
    make(media, "ferry", "The rope froze at noon. We crossed on foot.");
    make(media, "mute", "x");
    try (ServerUnderTest server = new ServerUnderTest(folder.resolve("data"), media);
        Browser browser = new Browser()) {
      Page page = browser.page();
      page.navigate(server.address());
      add(page, "mill", "file");
      add(page, "ferry", "file");
      add(page, "mute", "type");

      open(page, server.address(), "mill");
      select(page, 0, 4);
      page.keyboard().press("g");
      open(page, server.address(), "ferry");
      select(page, 5, 8);
      page.keyboard().press("g");
      page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Gathered")).click();
      assertThat(page.getByTestId("gathered")).hasCount(2);
      page.getByLabel("Earlier").nth(1).click();
      page.getByLabel("Title of the clip").fill("Two winters");
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Make the clip")).click();
      page.waitForURL("**/pare?clip=*", new Page.WaitForURLOptions().setTimeout(60_000));
      page.locator("button", new Page.LocatorOptions().setHasText("Pauses"))
          .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
      page.locator("[data-w='8']").waitFor();
      assertThat(shown(page)).isEqualTo("We crossed on foot. The wheel stopped in winter.");

      select(page, 4, 8);
      page.keyboard().press("Control+x");
      assertThat(page.getByTestId("carrying")).containsText("5 words taken up");
      page.locator("[data-w='0']").click();
      page.keyboard().press("Control+v");
      assertThat(page.getByTestId("seam")).hasCount(1);
      assertThat(shown(page)).isEqualTo("The wheel stopped in winter. We crossed on foot.");

      select(page, 0, 1);
      BoundingBox from = page.locator("[data-w='1']").boundingBox();
      BoundingBox to = page.locator("[data-w='4']").boundingBox();
      page.mouse().move(from.x + 8, from.y + 8);
      page.mouse().down();
      page.mouse()
          .move(
              to.x + to.width / 2,
              to.y + 8,
              new com.microsoft.playwright.Mouse.MoveOptions().setSteps(5));
      page.mouse().up();
      assertThat(page.getByTestId("saved")).hasText("Saved");
      assertThat(page.locator("[data-w]").first()).hasText("We");
      page.keyboard().press("Control+z");
      assertThat(page.locator("[data-w]").first()).hasText("The");
      page.reload();
      page.locator("button", new Page.LocatorOptions().setHasText("Pauses"))
          .waitFor(new Locator.WaitForOptions().setTimeout(60_000));
      page.getByTestId("seam").waitFor();
      assertThat(shown(page)).isEqualTo("The wheel stopped in winter. We crossed on foot.");
      assertThat(browser.errors).isEmpty();

      page.navigate(server.address());
      page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("mute")).first().click();
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Type along")).click();
      page.getByLabel("Said by").fill("Ada");
      page.getByTestId("type-along").locator("textarea").fill("Nobody has typed this before.");
      page.keyboard().press("Enter");
      assertThat(page.locator("[data-w='4']")).hasText("before.");
      assertThat(page.getByText("Ada").first()).isVisible();
    }
  }
}
