package paringknife.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A large file on its way while the browser, and then the server, is gone. */
class UploadAcrossRestartsTest {
  private static final int BYTES = 160_000_000;
  private static final int BYTES_A_SECOND = 10_000_000;

  @TempDir Path folder;

  private static void send(Page page, String address, Path file) {
    page.navigate(address);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an episode")).click();
    page.getByTestId("files").setInputFiles(file);
  }

  /** Where each part of the file that a page sends begins. */
  private static List<Long> offsets(Page page) {
    List<Long> offsets = new ArrayList<>();
    page.onRequest(
        r -> {
          if (r.method().equals("PATCH")) {
            offsets.add(Long.parseLong(r.headers().get("upload-offset")));
          }
        });
    return offsets;
  }

  /** Bytes of the file that have reached the server. */
  private long arrived() {
    try (Stream<Path> files = Files.walk(folder.resolve("media/uploads"))) {
      return files.mapToLong(f -> f.toFile().length()).max().orElse(0);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Test
  void nothingThatWasSentIsSentAgain() throws Exception {
    byte[] bytes = new byte[BYTES];
    new Random(11).nextBytes(bytes);
    Path file = Files.write(folder.resolve("talk.wav"), bytes);
    Path media = Files.createDirectories(folder.resolve("media"));
    Path profile = folder.resolve("profile");
    try (ServerUnderTest server = new ServerUnderTest(folder.resolve("data"), media)) {
      try (Browser browser = new Browser(profile)) {
        Page page = browser.page();
        browser.sendsAtMost(page, BYTES_A_SECOND);
        send(page, server.address(), file);
        PlaywrightAssertions.assertThat(page.getByTestId("uploads")).containsText("left");
        PlaywrightAssertions.assertThat(page.getByTestId("uploads")).containsText("talk.wav");
        page.waitForCondition(() -> arrived() > BYTES_A_SECOND / 2);
      }
      try (Browser browser = new Browser(profile)) {
        Page page = browser.page();
        browser.sendsAtMost(page, BYTES_A_SECOND);
        List<Long> offsets = offsets(page);
        send(page, server.address(), file);
        page.waitForCondition(() -> !offsets.isEmpty());
        long before = offsets.get(0);
        assertThat(before)
            .as("sent before the browser was closed")
            .isGreaterThan(BYTES_A_SECOND / 2);
        page.waitForCondition(() -> arrived() > before + BYTES_A_SECOND / 2);
        int port = java.net.URI.create(server.address()).getPort();
        server.kill();
        server.start(port);
        PlaywrightAssertions.assertThat(page.getByTestId("uploads"))
            .containsText("here", new LocatorAssertions.ContainsTextOptions().setTimeout(120_000));
        System.out.println("parts of the file were sent from " + offsets);
        assertThat(offsets.get(offsets.size() - 1))
            .as("sent before the server was killed")
            .isGreaterThan(before);
      }
      assertThat(Files.mismatch(media.resolve("uploads").resolve("talk.wav"), file))
          .as("first byte that differs")
          .isEqualTo(-1);
    }
  }
}
