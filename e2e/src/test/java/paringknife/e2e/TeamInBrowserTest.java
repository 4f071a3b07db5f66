package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.web.util.UriComponentsBuilder;
import tools.jackson.databind.JsonNode;

/** Two who work on one episode, of whom one comes from another machine and signs in. */
class TeamInBrowserTest extends FerryInBrowser {
  private static final String PASSWORD = "tidemill lantern oxcart brine";
  private static final String CHANGES = "**/api/clips/*/changes";
  private static final Pattern CUT = Pattern.compile("cut");

  private final List<Page> cameIn = new ArrayList<>();

  /** The first owner is let in once; a server of its own, since that happens once. */
  @Override
  FerryServer ferry(Path temporary) throws IOException, InterruptedException {
    return new FerryServer(FerryOnTheShelf.server(temporary.resolve("data")), new Browser());
  }

  @org.junit.jupiter.api.AfterAll
  void end() {
    server.close();
  }

  /** Whoever signs in next has the same cookie: what is left open would be theirs. */
  @AfterEach
  void closeWhoCameIn() {
    cameIn.forEach(Page::close);
    cameIn.clear();
  }

  private static void press(Page where, String name) {
    where
        .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true))
        .first()
        .click();
  }

  private static String origin(String address) {
    return UriComponentsBuilder.fromUriString(address).replacePath("").toUriString();
  }

  private Page comingIn(String link, String name) {
    Page other = browser.page();
    cameIn.add(other);
    other.navigate(link);
    other.getByLabel("Name").fill(name);
    other.getByLabel("Password").fill(PASSWORD);
    press(other, "Begin");
    assertThat(other.getByText("The last ferry")).isVisible();
    return other;
  }

  private String invited(String role) {
    return post("/api/team/invitations", "{\"role\":\"" + role + "\"}").path("url").asString();
  }

  private long account(String name) {
    for (JsonNode account : api("/api/team").path("accounts")) {
      if (account.path("name").asString().equals(name)) {
        return account.path("id").asLong();
      }
    }
    throw new IllegalStateException("no " + name);
  }

  private static Locator word(Page where, int index) {
    return where.locator("[data-w='" + index + "']");
  }

  private static void strike(Page where, int index) {
    word(where, index).click();
    where.keyboard().press("Backspace");
  }

  private void openSameClip(Page where, String link) {
    where.navigate(origin(link) + "/episodes/1/pare?clip=" + id);
    assertThat(word(where, 0)).isVisible();
  }

  @Test
  void theFirstOwnerComesInByTheLinkThatTheStartPrintsAndBothSeeOneAnother() throws Exception {
    String link = server.firstOwner();
    Page other = comingIn(link, "Marit Sund");
    openSameClip(other, link);
    assertThat(page.getByTestId("others")).hasText("Marit Sund");
    assertThat(other.getByTestId("others")).hasText("At the server");
    strike(other, 5);
    assertThat(word(5)).hasClass(CUT);
    strike(page, 9);
    assertThat(word(other, 9)).hasClass(CUT);
    assertThat(api("/api/clips/" + id + "/steps").get(1).path("author").asString())
        .isEqualTo("Marit Sund");
    press(page, "Versions");
    page.getByText("Who did what").click();
    assertThat(page.getByLabel("Steps, newest first")).containsText("Marit Sund");
    other.close();
    assertThat(page.getByTestId("others")).hasCount(0);
  }

  /**
   * What was struck and did not reach the server before the sign-out is kept in the window, and
   * saved after signing in again.
   */
  @Test
  void whoIsSignedOutLosesNothing() {
    String link = invited("EDITOR");
    Page other = comingIn(link, "Tor Vik");
    openSameClip(other, link);
    List<Route> underWay = new ArrayList<>();
    other.route(CHANGES, underWay::add);
    strike(other, 7);
    other.waitForCondition(() -> !underWay.isEmpty());
    post("/api/team/accounts/" + account("Tor Vik") + "/sign-out", "{}");
    other.unroute(CHANGES);
    underWay.forEach(Route::resume);
    assertThat(other.getByText("Sign in to go on")).isVisible();
    assertThat(word(other, 7)).hasClass(CUT);
    other.getByLabel("Name").fill("Tor Vik");
    other.getByLabel("Password").fill("not the one");
    press(other, "Sign in");
    assertThat(other.getByText("Nobody here has this name and this password.")).isVisible();
    other.getByLabel("Password").fill(PASSWORD);
    press(other, "Sign in");
    assertThat(other.getByText("Sign in to go on")).hasCount(0);
    assertThat(other.getByTestId("saved")).hasText("Saved");
    assertThat(word(7)).hasClass(CUT);
    strike(page, 11);
    assertThat(word(other, 11)).hasClass(CUT);
  }

  @Test
  void aViewerLooksAndChangesNothing() {
    String link = invited("VIEWER");
    Page other = comingIn(link, "Liv Aas");
    openSameClip(other, link);
    assertThat(other.getByRole(AriaRole.NOTE)).containsText("You look on");
    strike(other, 7);
    assertThat(other.getByText("You may look at everything here")).isVisible();
    assertThat(word(other, 7)).not().hasClass(CUT);
    assertThat(clip().path("revision").asInt()).isEqualTo(1);
    other.navigate(origin(link));
    press(other, "Liv Aas");
    press(other, "Sign out");
    assertThat(other.getByLabel("Password")).isVisible();
    other.navigate(origin(link) + "/episodes/1/pare?clip=" + id);
    assertThat(other.getByLabel("Password")).isVisible();
  }
}
