package paringknife.server.watch;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import paringknife.server.deliver.RenderingStore;
import paringknife.server.events.Events;
import paringknife.server.shelf.EpisodeStore;

/**
 * Looks at the database for work that has moved on, in whatever process it runs, and tells the
 * browsers.
 */
@Component
class ProgressWatch {
  private final EpisodeStore episodes;
  private final RenderingStore renderings;
  private final Events events;
  private List<EpisodeStore.Row> shelf = List.of();
  private Map<Long, RenderingStore.Row> cells = new HashMap<>();

  ProgressWatch(EpisodeStore episodes, RenderingStore renderings, Events events) {
    this.episodes = episodes;
    this.renderings = renderings;
    this.events = events;
  }

  @Scheduled(fixedDelay = 400)
  void look() {
    List<EpisodeStore.Row> now = episodes.all();
    if (!now.equals(shelf)) {
      shelf = now;
      events.send("shelf", Map.of());
    }
    Map<Long, RenderingStore.Row> moved = new HashMap<>();
    for (RenderingStore.Row row : renderings.all()) {
      moved.put(row.id(), row);
    }
    if (!moved.equals(cells)) {
      cells = moved;
      events.send("renderings", Map.of());
    }
  }
}
