package paringknife.e2e;

import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Folders that several classes of tests need and that take long to make. */
final class OnceInARun {
  private OnceInARun() {}

  /** Fills an empty folder. */
  interface Making {
    void into(Path folder) throws IOException, InterruptedException;
  }

  /** A folder of this run's. */
  static Path place() {
    return Path.of("target", "made", System.getProperty("run")).toAbsolutePath();
  }

  /** Made by whichever of the run's processes comes first; the others wait for it. */
  static Path made(String name, Making making) throws IOException {
    Path run = Files.createDirectories(place());
    Path folder = run.resolve(name);
    Path whole = run.resolve(name + ".whole");
    try (FileChannel channel =
            FileChannel.open(
                run.resolve(name + ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock alone = channel.lock()) {
      if (alone.isValid() && !Files.exists(whole)) {
        making.into(Files.createDirectories(folder));
        Files.createFile(whole);
      }
    } catch (InterruptedException e) {
      throw new IOException(e);
    }
    return folder;
  }
}
