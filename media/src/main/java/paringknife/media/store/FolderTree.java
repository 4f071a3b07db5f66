package paringknife.media.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.concurrent.atomic.AtomicLong;
import org.jspecify.annotations.Nullable;

/** A folder with all that is in it. Files that come and go meanwhile are no fault. */
public final class FolderTree {
  private FolderTree() {}

  /** Deletes it; one that is not there is fine. */
  public static void delete(Path folder) {
    walk(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes)
              throws IOException {
            Files.deleteIfExists(file);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFileFailed(Path file, IOException e) {
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult postVisitDirectory(Path left, @Nullable IOException e)
              throws IOException {
            Files.deleteIfExists(left);
            return FileVisitResult.CONTINUE;
          }
        });
  }

  /** Bytes of all files in it; 0 when it is not there. */
  public static long bytes(Path folder) {
    AtomicLong sum = new AtomicLong();
    walk(
        folder,
        new SimpleFileVisitor<>() {
          @Override
          public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
            sum.addAndGet(attributes.isRegularFile() ? attributes.size() : 0);
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult visitFileFailed(Path file, IOException e) {
            return FileVisitResult.CONTINUE;
          }

          @Override
          public FileVisitResult postVisitDirectory(Path left, @Nullable IOException e) {
            return FileVisitResult.CONTINUE;
          }
        });
    return sum.get();
  }

  private static void walk(Path folder, SimpleFileVisitor<Path> visitor) {
    if (!Files.exists(folder)) {
      return;
    }
    try {
      Files.walkFileTree(folder, visitor);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
