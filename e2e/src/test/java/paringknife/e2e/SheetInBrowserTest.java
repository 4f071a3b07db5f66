package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** The delivery sheet by keyboard, by whole columns, and a clip's cover. */
class SheetInBrowserTest extends FerryInBrowser {
  private Locator tick(String spec) {
    return page.getByTestId("cell-" + id + "-" + spec).getByRole(AriaRole.CHECKBOX);
  }

  @Test
  void theSheetIsFilledByKeysAndByColumnsAndACoverIsChosen() {
    change("{\"type\":\"askFor\",\"specs\":[]}");
    openStage("Deliver");
    Locator first = page.locator("[data-at='0 0']");
    assertThat(tick("vertical-60")).not().isChecked();
    first.focus();
    page.keyboard().press("Space");
    assertThat(tick("vertical-60")).isChecked();
    page.keyboard().press("ArrowRight");
    assertThat(page.locator("[data-at='0 1']")).isFocused();
    page.keyboard().press("ArrowUp");
    assertThat(page.locator("[data-at='0 1']")).isFocused();
    page.keyboard().press("Home");
    assertThat(first).isFocused();

    page.getByLabel("All that are shown for Feed square").check();
    assertThat(tick("feed-square")).isChecked();
    page.getByLabel("The rope for all that are shown").check();
    assertThat(tick("vertical-90")).isChecked();
    page.getByLabel("All that are shown for Feed square").uncheck();
    assertThat(tick("feed-square")).not().isChecked();

    first.focus();
    page.keyboard().press("Enter");
    Locator cover = page.getByRole(AriaRole.REGION, named("Cover"));
    Locator proposed = cover.getByRole(AriaRole.RADIO);
    assertThat(proposed.first()).isChecked();
    proposed.nth(1).click();
    assertThat(proposed.nth(1)).isChecked();
    cover.getByLabel("with its title on it").check();
    cover.getByText("As proposed").click();
    assertThat(proposed.first()).isChecked();
    page.waitForFunction(
        "() => document.querySelector('section[aria-label=Cover] img').naturalWidth === 1080");
    assertThat(browser.errors).isEmpty();
  }

  /** From the shelf to the sheet of all that is on it, and from there to where it is put right. */
  @Test
  void theSheetOfTheShelfHoldsTheClipsOfItsEpisodes() {
    page.navigate(server.address() + "/");
    page.getByRole(AriaRole.LINK, named("Delivery sheet")).click();
    assertThat(page.getByRole(AriaRole.GRID)).containsText("The rope");
    Locator first = page.locator("[data-at='0 0']");
    first.focus();
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.REGION, named("Cover"))).isVisible();
    page.getByRole(AriaRole.ROWHEADER).first().getByRole(AriaRole.BUTTON).first().click();
    page.waitForURL("**/episodes/1/pare?clip=" + id);
    assertThat(browser.errors).isEmpty();
  }

  private static Page.GetByRoleOptions named(String name) {
    return new Page.GetByRoleOptions().setName(name);
  }
}
