package paringknife.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import java.util.List;
import java.util.function.Supplier;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** Tells what a page showed, had asked for and complained of when its test failed. */
record SeenWhenItFailed(Supplier<Page> page, Supplier<Browser> browser)
    implements AfterTestExecutionCallback {
  private static final int LAST_REQUESTS = 20;

  @Override
  public void afterTestExecution(ExtensionContext context) {
    if (context.getExecutionException().isEmpty()) {
      return;
    }
    System.out.println("When " + context.getDisplayName() + " failed, the page showed:");
    try {
      System.out.println(page.get().evaluate("document.body.innerText"));
      System.out.println(page.get().evaluate("document.activeElement.outerHTML.slice(0, 400)"));
    } catch (PlaywrightException e) {
      System.out.println("nothing: " + e.getMessage());
    }
    List<String> asked = browser.get().requests;
    System.out.println(asked.subList(Math.max(0, asked.size() - LAST_REQUESTS), asked.size()));
    System.out.println(browser.get().errors);
  }
}
