package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.pick.Brief;
import paringknife.server.picks.MarkStore;
import paringknife.server.shelf.Episodes;

/** The delivery specs that a show's brief asks for, given to every new clip. */
@Component
class WantedSpecs {
  private final Episodes episodes;
  private final MarkStore briefs;

  WantedSpecs(Episodes episodes, MarkStore briefs) {
    this.episodes = episodes;
    this.briefs = briefs;
  }

  List<String> specsFor(long episodeId) {
    return briefs.brief(episodes.row(episodeId).show()).map(Brief::specs).orElse(List.of());
  }
}
