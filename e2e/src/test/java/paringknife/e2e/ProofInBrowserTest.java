package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A clip shown by link: on a phone, and beside the text where it is worked on. */
class ProofInBrowserTest extends FerryInBrowser {
  /** What a proof page may weigh before its film. */
  private static final int MOST_BYTES = 300_000;

  private static void press(Page where, String name) {
    where
        .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true))
        .first()
        .click();
  }

  private String linkMadeInDeliver() {
    openStage("Deliver");
    press(page, "Show for a yes");
    press(page, "Make a link");
    assertThat(page.getByText("nothing said yet")).isVisible();
    JsonNode link = api("/api/episodes/1/proofs").path("links").get(0);
    return server.address() + "/proof/" + link.path("token").asString();
  }

  private Page guestAt(String link) {
    Page guest = browser.page();
    guest.setViewportSize(390, 780);
    guest.navigate(link);
    assertThat(guest.locator("[data-w='3']")).isVisible();
    return guest;
  }

  @Test
  void aGuestRemarksOnAWordAndSaysYesAndTheProducerHearsOfIt() {
    openAShorterOne(14);
    Page guest = guestAt(linkMadeInDeliver());
    String word = guest.locator("[data-w='3']").textContent();
    guest.locator("[data-w='3']").click();
    guest.locator("#remark").fill("Could this begin here?");
    guest.getByLabel("Your name").fill("Ada Lund");
    press(guest, "Remark");
    assertThat(guest.getByText("Could this begin here?")).isVisible();
    press(guest, "Yes to this one");
    assertThat(guest.getByText("Yes, said Ada Lund")).isVisible();
    guest.close();

    assertThat(page.getByText("✓ yes, Ada Lund, 1 remark")).isVisible();
    openPare(page);
    assertThat(page.getByText("Could this begin here?")).isVisible();
    page.keyboard().press(";");
    assertThat(word(3)).hasText(word);
    assertThat(word(3)).hasClass(Pattern.compile("selected.*remarked"));
    press(page, "Done");
    assertThat(page.getByText("All remarks done")).isVisible();
    assertThat(word(3)).not().hasClass(Pattern.compile("remarked"));
  }

  /** A page of finished clips: each plays where it stands, and nothing is asked. */
  @Test
  void finishedWorkIsShownOnAPageOfItsOwn() {
    openAShorterOne(14);
    openStage("Deliver");
    press(page, "Show for a yes");
    page.getByLabel("Only shown").check();
    press(page, "Make a link");
    assertThat(page.getByText("only shown, open until")).isVisible();
    String token = api("/api/episodes/1/proofs").path("links").get(0).path("token").asString();
    Page guest = browser.page();
    guest.navigate(server.address() + "/proof/" + token);
    guest.getByLabel("Play The rope").click();
    assertThat(guest.locator("video")).isVisible();
    guest.waitForFunction("() => document.querySelector('video').currentTime > 0.3");
    assertThat(guest.getByText("Yes to this one")).hasCount(0);
    assertThat(guest.locator("form")).hasCount(0);
    guest.close();
  }

  @Test
  void theFilmPlaysAndThePageIsLight() {
    openAShorterOne(14);
    Page guest = guestAt(linkMadeInDeliver());
    Object bytes =
        guest.evaluate(
            "() => [...performance.getEntriesByType('resource'), ...performance.getEntriesByType('navigation')]"
                + ".filter(e => !e.name.includes('/film')).reduce((sum, e) => sum + e.encodedBodySize, 0)");
    assertThat(((Number) bytes).intValue()).isBetween(20_000, MOST_BYTES);
    guest.locator("video").evaluate("v => { v.muted = true; return v.play(); }");
    guest.waitForFunction("() => document.querySelector('video').currentTime > 0.5");
    assertThat(guest.locator("[data-w].bg-ink")).hasCount(1);
    guest.close();
  }

  @Test
  void whatWentSinceTheLastLookIsMarked() {
    openAShorterOne(14);
    String link = linkMadeInDeliver();
    guestAt(link).close();
    change("{\"type\":\"pareWords\",\"first\":2,\"last\":3}");
    press(page, "Show as it is now");
    Page guest = guestAt(link);
    assertThat(guest.getByText("Since you last looked")).isVisible();
    assertThat(guest.getByText(Pattern.compile("^gone: "))).hasCount(1);
    guest.close();
  }
}
