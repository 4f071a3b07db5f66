package paringknife.media.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/**
 * A folder for work in progress beside the place where the result goes, so that the result can be
 * moved in by one rename. It is gone when the work ends, however it ends. While a process works in
 * one it says so again and again, so that no other takes it for left over.
 */
public final class ScratchFolder implements AutoCloseable {
  private static final String PREFIX = ".scratch-";
  private static final String SIGN = ".alive";
  private static final long SIGN_EVERY_S = 4;
  private static final Duration LEFT_OVER = Duration.ofSeconds(20);
  private static final Set<Path> OPEN = ConcurrentHashMap.newKeySet();

  static {
    ScheduledExecutorService signs =
        Executors.newSingleThreadScheduledExecutor(
            work -> {
              Thread thread = new Thread(work, "scratch-signs");
              thread.setDaemon(true);
              return thread;
            });
    signs.scheduleWithFixedDelay(
        () -> OPEN.forEach(ScratchFolder::sign), SIGN_EVERY_S, SIGN_EVERY_S, TimeUnit.SECONDS);
  }

  private final Path path;

  private ScratchFolder(Path path) {
    this.path = path;
  }

  /** Makes one inside {@code parent}, which is made too when missing. */
  public static ScratchFolder in(Path parent) {
    try {
      Files.createDirectories(parent);
      Path path = Files.createTempDirectory(parent, PREFIX);
      Files.createFile(path.resolve(SIGN));
      OPEN.add(path);
      return new ScratchFolder(path);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void sign(Path folder) {
    try {
      Files.setLastModifiedTime(folder.resolve(SIGN), FileTime.from(Instant.now()));
    } catch (IOException e) {
      // It has just been closed, or its disk is away; then there is nothing to keep.
      OPEN.remove(folder);
    }
  }

  /** Removes what a killed process left in a folder, whoever worked in it. */
  public static void sweep(Path parent) {
    if (!Files.isDirectory(parent)) {
      return;
    }
    try (Stream<Path> children = Files.list(parent)) {
      children
          .filter(c -> c.getFileName().toString().startsWith(PREFIX))
          .filter(ScratchFolder::isLeftOver)
          .forEach(FolderTree::delete);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean isLeftOver(Path folder) {
    if (OPEN.contains(folder)) {
      return false;
    }
    try {
      Path sign = folder.resolve(SIGN);
      Path told = Files.exists(sign) ? sign : folder;
      Instant alive = Files.getLastModifiedTime(told).toInstant();
      return alive.plus(LEFT_OVER).isBefore(Instant.now());
    } catch (NoSuchFileException e) {
      return false;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  public Path path() {
    return path;
  }

  @Override
  public void close() {
    OPEN.remove(path);
    FolderTree.delete(path);
  }
}
