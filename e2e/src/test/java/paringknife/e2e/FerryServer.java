package paringknife.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.util.FileSystemUtils;

/**
 * A server with the made episode on its shelf and a browser, which the tests of a process share and
 * which end with it.
 */
record FerryServer(ServerUnderTest server, Browser browser) {
  private static FerryServer shared;

  static synchronized FerryServer shared() throws IOException, InterruptedException {
    if (shared == null) {
      Path place = Files.createTempDirectory("ferry");
      FerryServer made =
          new FerryServer(FerryOnTheShelf.server(place.resolve("data")), new Browser());
      Runtime.getRuntime().addShutdownHook(new Thread(() -> made.end(place)));
      shared = made;
    }
    return shared;
  }

  private void end(Path place) {
    server.close();
    try {
      FileSystemUtils.deleteRecursively(place);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
