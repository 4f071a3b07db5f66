package paringknife.media.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;

/**
 * A folder for work in progress beside the place where the result goes, so that the result can be
 * moved in by one rename. It is gone when the work ends, however it ends.
 */
public final class ScratchFolder implements AutoCloseable {
  private static final String PREFIX = ".scratch-";

  private final Path path;

  private ScratchFolder(Path path) {
    this.path = path;
  }

  /** Makes one inside {@code parent}, which is made too when missing. */
  public static ScratchFolder in(Path parent) {
    try {
      Files.createDirectories(parent);
      return new ScratchFolder(Files.createTempDirectory(parent, PREFIX));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Removes what a killed process left; only for folders in which nobody works at the moment. */
  public static void sweep(Path parent) {
    if (!Files.isDirectory(parent)) {
      return;
    }
    try (Stream<Path> children = Files.list(parent)) {
      children
          .filter(c -> c.getFileName().toString().startsWith(PREFIX))
          .forEach(FolderTree::delete);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public Path path() {
    return path;
  }

  @Override
  public void close() {
    FolderTree.delete(path);
  }
}
