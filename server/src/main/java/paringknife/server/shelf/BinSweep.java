package paringknife.server.shelf;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.server.episodes.DataFolder;

/** Empties the bin of what has lain in it for thirty days. Original recordings are never touched. */
@Component
class BinSweep {
  private static final Logger LOG = LoggerFactory.getLogger(BinSweep.class);
  private static final Duration KEPT = Duration.ofDays(30);

  private final ShelfStore shelves;
  private final DataFolder data;

  BinSweep(ShelfStore shelves, DataFolder data) {
    this.shelves = shelves;
    this.data = data;
  }

  @Scheduled(initialDelay = 1, fixedRate = 60, timeUnit = TimeUnit.MINUTES)
  void sweep() {
    sweepAsOf(LocalDateTime.now(ZoneOffset.UTC));
  }

  void sweepAsOf(LocalDateTime now) {
    for (long id : shelves.binnedBefore(now.minus(KEPT))) {
      shelves.forget(id);
      delete(data.episode(id).root());
      LOG.info("episode {} has been in the bin for thirty days and is gone", id);
    }
  }

  private static void delete(Path folder) {
    if (!Files.exists(folder)) {
      return;
    }
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
