package paringknife.server.shelf;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.media.store.FolderTree;
import paringknife.server.episodes.DataFolder;

/**
 * Empties the bin of what has lain in it for thirty days. Original recordings are never touched.
 */
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
      FolderTree.delete(data.episode(id).root());
      LOG.info("episode {} has been in the bin for thirty days and is gone", id);
    }
  }
}
