package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every page in light and dark against WCAG 2.2, level AA, as far as axe-core can tell. */
class AccessibilityTest extends FerryInBrowser {
  private static final Path AXE = Path.of("../web/node_modules/axe-core/axe.min.js");
  private static final String RUN =
      "only => axe.run(document, {runOnly: only})"
          + ".then(r => r.violations.flatMap(v => v.nodes.map(n => v.id + ' ' + n.target + ' ' +"
          + " n.failureSummary.replace(/\\s+/g, ' '))))";

  private static final List<String> LEVEL_AA =
      List.of("wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa");

  /**
   * @param shown what is seen of it when it is there
   */
  private record Stage(String name, Function<Page, Locator> shown) {}

  private static final List<Stage> STAGES =
      List.of(
          new Stage("Pare", p -> p.getByTestId("pauses")),
          new Stage("Frame", p -> p.getByText("Whoever speaks")),
          new Stage("Letter", p -> p.getByLabel("Text of the caption")),
          new Stage("Pick", p -> p.getByLabel("Say what you want")),
          new Stage("Deliver", p -> button(p, "Show for a yes")));

  /** Only contrast is another in the dark. */
  private static List<String> rules(ColorScheme scheme) {
    return scheme == ColorScheme.LIGHT ? LEVEL_AA : List.of("color-contrast");
  }

  private final List<String> found = new ArrayList<>();

  private void look(Page where, String name, ColorScheme scheme) throws IOException {
    where.evaluate(Files.readString(AXE));
    for (Object fault : (List<?>) where.evaluate(RUN, rules(scheme))) {
      found.add(name + ", " + scheme + ": " + fault);
    }
  }

  private static Locator button(Page where, String name) {
    return where.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void press(Page where, String name) {
    button(where, name).first().click();
  }

  @ParameterizedTest
  @EnumSource(
      value = ColorScheme.class,
      names = {"LIGHT", "DARK"})
  void everyStageIsForEverybody(ColorScheme scheme) throws IOException {
    found.clear();
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
    for (Stage stage : STAGES) {
      openStage(stage.name());
      assertThat(stage.shown().apply(page).first()).isVisible();
      look(page, stage.name(), scheme);
    }
    openStage("Letter");
    press(page, "Names, call-outs");
    page.getByLabel("Names of those who speak").check();
    word(3).click();
    page.getByLabel("What the call-out says").press("Enter");
    assertThat(page.getByLabel("Take away:")).hasCount(1);
    look(page, "names and call-outs", scheme);
    press(page, "For the show");
    assertThat(page.getByLabel("Name of the style")).isVisible();
    look(page, "a house style", scheme);
    openStage("Deliver");
    page.getByRole(AriaRole.COLUMNHEADER).nth(1).getByRole(AriaRole.BUTTON).click();
    assertThat(page.getByLabel("Delivery spec")).isVisible();
    look(page, "a spec", scheme);
    press(page, "Show for a yes");
    look(page, "links", scheme);
    page.navigate(server.address());
    assertThat(page.getByText("The last ferry")).isVisible();
    look(page, "the shelf", scheme);
    lookAtTheQueue(scheme);
    assertThat(found).isEmpty();
  }

  private void lookAtTheQueue(ColorScheme scheme) throws IOException {
    post("/api/queue/pause", "{\"paused\":true}");
    change("{\"type\":\"askFor\",\"specs\":[\"feed-square\"]}");
    post("/api/episodes/1/renderings", "{}");
    page.navigate(server.address() + "/queue");
    Locator waiting = page.locator("[data-testid=queued][data-state=WAITING]");
    assertThat(waiting).hasCount(1);
    look(page, "the queue", scheme);
    waiting.getByLabel("Cancel").click();
    assertThat(waiting).hasCount(0);
    post("/api/queue/pause", "{\"paused\":false}");
    lookAtTheOutbox(scheme);
    page.navigate(server.address() + "/sheet");
    page.locator("[data-at='0 0']").click();
    look(page, "the sheet of the shelf", scheme);
  }

  private void lookAtTheOutbox(ColorScheme scheme) throws IOException {
    post(
        "/api/outbox",
        "{\"files\":[{\"clipId\":"
            + id
            + ",\"spec\":\"feed-square\"}],\"destination\":2,"
            + "\"when\":{\"first\":null,\"zone\":\"UTC\",\"everyHours\":0}}");
    page.navigate(server.address() + "/outbox");
    page.getByTestId("posting").first().click();
    press(page, "Another destination");
    assertThat(page.getByLabel("Longest, seconds")).isVisible();
    look(page, "the outbox", scheme);
  }

  @ParameterizedTest
  @EnumSource(
      value = ColorScheme.class,
      names = {"LIGHT", "DARK"})
  void theTeamIsForEverybody(ColorScheme scheme) throws IOException {
    found.clear();
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
    page.navigate(server.address() + "/team");
    press(page, "Make a link");
    String link = page.getByLabel("Send this to").inputValue();
    look(page, "the team", scheme);
    page.navigate(link);
    assertThat(page.getByText("You are invited")).isVisible();
    look(page, "an invitation", scheme);
    page.navigate(link.replaceAll("/welcome.*", "/sign-in"));
    assertThat(button(page, "Sign in")).isVisible();
    look(page, "signing in", scheme);
    assertThat(found).isEmpty();
  }

  private void lookAtFinishedWork() throws IOException {
    String token =
        post(
                "/api/episodes/1/proofs",
                "{\"title\":\"Finished\",\"clips\":["
                    + id
                    + "],\"days\":null,\"downloads\":true,\"password\":null,\"asks\":false}")
            .path("token")
            .asString();
    for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
      page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
      page.navigate(server.address() + "/proof/" + token);
      assertThat(page.getByLabel("Play The rope")).isVisible();
      look(page, "finished work", scheme);
    }
  }

  @Test
  void aProofIsForEverybody() throws IOException {
    found.clear();
    openAShorterOne(14);
    post(
        "/api/episodes/1/proofs",
        "{\"title\":\"One clip\",\"clips\":["
            + id
            + "],\"days\":null,\"downloads\":true,\"password\":null}");
    String token = api("/api/episodes/1/proofs").path("links").get(0).path("token").asString();
    for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
      Page guest = browser.page();
      guest.setViewportSize(390, 780);
      guest.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
      guest.navigate(server.address() + "/proof/" + token);
      guest.locator("[data-w='3']").click();
      look(guest, "a proof", scheme);
      guest.close();
    }
    lookAtFinishedWork();
    assertThat(found).isEmpty();
  }
}
