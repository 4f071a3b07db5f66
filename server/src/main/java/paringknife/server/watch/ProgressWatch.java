package paringknife.server.watch;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
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
  private final ObjectProvider<DoneNotice> notice;
  private final Batch batch = new Batch();
  private List<EpisodeStore.Row> shelf = List.of();
  private Map<Long, RenderingStore.Row> cells = new HashMap<>();

  ProgressWatch(
      EpisodeStore episodes,
      RenderingStore renderings,
      Events events,
      ObjectProvider<DoneNotice> notice) {
    this.notice = notice;
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
    batch.look(moved.values()).ifPresent(this::tell);
  }

  private void tell(Batch.Done done) {
    events.send("batch", done);
    notice.ifAvailable(n -> n.tell(done));
  }
}
