package paringknife.server.episodes;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.media.store.ScratchFolder;

/**
 * What killed processes left half made, wherever work is done. A folder that nobody has signed for
 * a while goes; right after a kill the one it left still looks alive, so it is looked for again.
 */
@Component
class HalfMade {
  private final DataFolder data;

  HalfMade(DataFolder data) {
    this.data = data;
  }

  @Scheduled(initialDelay = 0, fixedDelay = 60, timeUnit = TimeUnit.SECONDS)
  void sweep() {
    Stream.of(
            data.finishedFolder(),
            data.covers(),
            data.logos(),
            data.backdrops(),
            data.fonts(),
            data.media())
        .forEach(ScratchFolder::sweep);
    if (!Files.isDirectory(data.episodes())) {
      return;
    }
    try (Stream<Path> episodes = Files.list(data.episodes())) {
      episodes.filter(Files::isDirectory).forEach(ScratchFolder::sweep);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
