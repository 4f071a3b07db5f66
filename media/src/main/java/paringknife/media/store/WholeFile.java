package paringknife.media.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Puts files in place whole: under their name there is the old one or the new one, never a part.
 */
public final class WholeFile {
  private WholeFile() {}

  /** Moves a finished file of the same disk to its place. */
  public static void move(Path finished, Path place) {
    try {
      Files.move(
          finished, place, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Removes a file; one that is not there is fine. */
  public static void remove(Path file) {
    try {
      Files.deleteIfExists(file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static void copy(Path from, Path place) {
    try (ScratchFolder scratch = ScratchFolder.in(place.toAbsolutePath().getParent())) {
      move(Files.copy(from, scratch.path().resolve("copy")), place);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public static void write(Path place, byte[] bytes) {
    try (ScratchFolder scratch = ScratchFolder.in(place.toAbsolutePath().getParent())) {
      move(Files.write(scratch.path().resolve("new"), bytes), place);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
