package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The queue of renderings: paused, put in another order, gone on with, told when it is done. */
class QueueInBrowserTest extends FerryInBrowser {
  /** What a browser makes of a name that no Latin letters can spell (RFC 5987). */
  private static final String TITLE = "Der Tau – ロープ";

  @AfterEach
  void goOn() {
    post("/api/queue/pause", "{\"paused\":false}");
  }

  private Locator waiting() {
    return page.locator("[data-testid=queued][data-state=WAITING]");
  }

  private void press(String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name)).first().click();
  }

  @Test
  void nothingIsMissedBetweenOnePageAndTheNext() {
    long before = linesOpened();
    openStage("Deliver");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Queue")).click();
    assertThat(page.getByTestId("queue-summary")).isVisible();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Paring Knife")).click();
    assertThat(page.getByRole(AriaRole.HEADING).first()).isVisible();
    assertThat(linesOpened()).isEqualTo(before);
  }

  /** How often a page has begun to listen to what the server tells. */
  private long linesOpened() {
    return browser.requests.stream().filter(r -> r.endsWith("/api/events")).count();
  }

  @Test
  void whatWaitsIsMovedByItsArrowsAndByHandAndToldWhenItIsDone() {
    openAShorterOne(5);
    change("{\"type\":\"rename\",\"title\":\"" + TITLE + "\"}");
    change("{\"type\":\"askFor\",\"specs\":[\"feed-square\",\"feed-tall\"]}");
    post("/api/queue/pause", "{\"paused\":true}");
    openStage("Deliver");
    page.getByTestId("render").click();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Queue")).click();
    assertThat(page.getByTestId("queue-summary")).hasText("2 wait, paused.");
    assertThat(page.getByTestId("workers")).containsText("serves this page");
    assertThat(waiting().nth(0)).containsText("Feed square");

    press("Render " + TITLE + ", Feed square, later");
    assertThat(waiting().nth(0)).containsText("Feed tall");
    waiting().nth(1).dragTo(waiting().nth(0));
    assertThat(waiting().nth(0)).containsText("Feed square");
    assertThat(waiting()).hasCount(2);
    press("Cancel " + TITLE + ", Feed tall");
    assertThat(waiting()).hasCount(1);

    press("Go on");
    assertThat(page.getByTestId("batch")).containsText("1 file ready.");
    assertThat(page.getByTestId("queue-summary")).hasText("Nothing is being rendered.");
    page.getByTestId("batch").getByRole(AriaRole.BUTTON).click();
    Locator finished = page.locator("[data-testid=queued][data-state=DONE]").first();
    assertThat(finished).containsText("Feed square");
    Download file = page.waitForDownload(() -> finished.getByLabel("Take home").click());
    assertThat(file.suggestedFilename()).contains("der-tau-ロープ").endsWith(".mp4");
    postIt();
    assertThat(browser.errors).isEmpty();
  }

  /** From the sheet into the outbox, and out by the stand-in. */
  private void postIt() {
    openPare(page);
    openStage("Deliver");
    page.getByTestId("post-files").click();
    assertThat(page.locator("select").filter(new Locator.FilterOptions().setHasText("Square wall")))
        .hasValue("2");
    press("Put it into the outbox");
    assertThat(page.getByText("1 file is in the outbox.")).isVisible();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("See the outbox")).click();
    Locator posting = page.getByTestId("posting");
    assertThat(posting).hasAttribute("data-state", "SCHEDULED");
    posting.click();
    press("Post it now");
    assertThat(posting).hasAttribute("data-state", "ACCEPTED");
    assertThat(page.getByTestId("posting-detail")).containsText("stand-in-");
    press("Take it back");
    assertThat(posting).hasAttribute("data-state", "WITHDRAWN");
  }
}
