package paringknife.server.bin;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.media.store.FolderTree;
import paringknife.server.clips.ClipStore;
import paringknife.server.deliver.FinishedFiles;
import paringknife.server.episodes.DataFolder;
import paringknife.server.shelf.ShelfStore;

/**
 * Empties the bin of episodes and clips that have lain in it for thirty days, with all that was
 * made of them. Original recordings are never touched.
 */
@Component
public class BinSweep {
  private static final Logger LOG = LoggerFactory.getLogger(BinSweep.class);
  private static final Duration KEPT = Duration.ofDays(30);

  private final ShelfStore shelves;
  private final ClipStore clips;
  private final FinishedFiles finished;
  private final DataFolder data;

  BinSweep(ShelfStore shelves, ClipStore clips, FinishedFiles finished, DataFolder data) {
    this.shelves = shelves;
    this.clips = clips;
    this.finished = finished;
    this.data = data;
  }

  @Scheduled(initialDelay = 1, fixedRate = 60, timeUnit = TimeUnit.MINUTES)
  void sweep() {
    sweepAsOf(LocalDateTime.now(ZoneOffset.UTC));
  }

  /** Empties it as if it were that time, UTC. */
  public void sweepAsOf(LocalDateTime now) {
    for (long id : shelves.binnedBefore(now.minus(KEPT))) {
      shelves.forget(id);
      FolderTree.delete(data.episode(id).root());
      LOG.info("episode {} has been in the bin for thirty days and is gone", id);
    }
    for (long id : clips.binnedBefore(now.minus(KEPT))) {
      clips.forget(id);
      LOG.info("clip {} has been in the bin for thirty days and is gone", id);
    }
    finished.sweep(Duration.ZERO);
  }
}
