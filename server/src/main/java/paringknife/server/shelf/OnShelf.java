package paringknife.server.shelf;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import paringknife.server.web.NotThere;

/** Which episodes with clips stand on a shelf. */
@Component
public class OnShelf {
  private final Episodes episodes;
  private final ShelfStore shelves;

  OnShelf(Episodes episodes, ShelfStore shelves) {
    this.episodes = episodes;
    this.shelves = shelves;
  }

  /**
   * Those on a shelf and on the shelves that stand on it.
   *
   * @param shelf null for all that there are
   * @throws NotThere when there is no such shelf
   */
  public List<EpisodeStore.Row> all(@Nullable Long shelf) {
    Set<Long> within = shelf == null ? Set.of() : shelves.within(shelf);
    return episodes.all().stream()
        .filter(e -> !e.binned() && e.clips() > 0)
        .filter(e -> shelf == null || e.shelfId() != null && within.contains(e.shelfId()))
        .toList();
  }
}
