package paringknife.server.deliver;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.media.store.WholeFile;
import paringknife.server.episodes.DataFolder;

/** The folder of finished files: those that belong to nothing any more go. */
@Component
public class FinishedFiles {
  private static final Logger LOG = LoggerFactory.getLogger(FinishedFiles.class);

  /** A file is moved into place a moment before it is written down. */
  private static final Duration FRESH = Duration.ofMinutes(10);

  private final RenderingStore renderings;
  private final DataFolder data;

  FinishedFiles(RenderingStore renderings, DataFolder data) {
    this.renderings = renderings;
    this.data = data;
  }

  @Scheduled(initialDelay = 5, fixedRate = 60, timeUnit = TimeUnit.MINUTES)
  void sweep() {
    sweep(FRESH);
  }

  /**
   * Removes files that no rendering of any clip, in the bin or not, knows of.
   *
   * @param age leaves alone those that are younger
   */
  public void sweep(Duration age) {
    if (!Files.isDirectory(data.finishedFolder())) {
      return;
    }
    Set<String> known = new HashSet<>();
    for (RenderingStore.Row row : renderings.ofAllClips()) {
      known.add(DataFolder.finishedName(row.clipId(), row.spec(), row.attempt()));
      if (row.finishedAttempt() != null) {
        known.add(DataFolder.finishedName(row.clipId(), row.spec(), row.finishedAttempt()));
      }
    }
    Instant before = Instant.now().minus(age);
    try (Stream<Path> files = Files.list(data.finishedFolder())) {
      files
          .filter(Files::isRegularFile)
          .filter(f -> !known.contains(stem(f)) && !modified(f).isAfter(before))
          .forEach(
              f -> {
                WholeFile.remove(f);
                LOG.info("{} belongs to nothing any more and is gone", f.getFileName());
              });
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static String stem(Path file) {
    String name = file.getFileName().toString();
    return name.substring(0, Math.max(0, name.lastIndexOf('.')));
  }

  private static Instant modified(Path file) {
    return Instant.ofEpochMilli(file.toFile().lastModified());
  }
}
