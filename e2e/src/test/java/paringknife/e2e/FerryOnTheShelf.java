package paringknife.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.util.FileSystemUtils;

/**
 * Servers with the made episode on their shelf. It is taken in once in a run of the tests, before
 * the eyes of a browser; every server begins with a copy of what came of it.
 */
final class FerryOnTheShelf {
  private static final LocatorAssertions.IsVisibleOptions SOON =
      new LocatorAssertions.IsVisibleOptions().setTimeout(120_000);

  private FerryOnTheShelf() {}

  /**
   * @param data a folder that is not there yet
   */
  static ServerUnderTest server(Path data) throws IOException, InterruptedException {
    Path takenIn = OnceInARun.made("shelf", FerryOnTheShelf::takeIn);
    FileSystemUtils.copyRecursively(takenIn.resolve("data"), data);
    return new ServerUnderTest(data, takenIn.resolve("media"));
  }

  /** What is on their shelf. */
  static MadeEpisode episode() throws IOException {
    return new MadeEpisode(
        OnceInARun.made("shelf", FerryOnTheShelf::takeIn).resolve("media/ferry"));
  }

  private static void takeIn(Path folder) throws IOException, InterruptedException {
    Path media = Files.createDirectories(folder.resolve("media"));
    MadeEpisode.ferry(media);
    Path data = folder.resolve("data");
    Path classes = folder.resolve("classes.jsa");
    try (ServerUnderTest server =
            new ServerUnderTest(data, media, Command.leavingItsClasses(classes));
        Browser browser = new Browser()) {
      Page shelf = browser.page();
      shelf.navigate(server.address());
      assertThat(shelf.getByText("The last ferry")).isVisible();
      assertThat(shelf.locator("img[src*=poster]")).isVisible(SOON);
      server.awaitEpisode();
    }
    Command.shareClasses(classes);
    // Each copy has a port of its own.
    Files.delete(data.resolve("mariadb/port"));
  }
}
