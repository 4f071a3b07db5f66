package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.time.Span;
import paringknife.server.shelf.Episodes;

/**
 * Makes clips as they are before anything is done to them: upright, on whoever speaks, for the
 * specs the show asks for, in its style.
 */
@Component
class NewClips {
  private static final String LETTERING = "sluice";

  private final ClipStore store;
  private final WantedClips wanted;
  private final HouseStyles houses;
  private final Episodes episodes;

  NewClips(ClipStore store, WantedClips wanted, HouseStyles houses, Episodes episodes) {
    this.store = store;
    this.wanted = wanted;
    this.houses = houses;
    this.episodes = episodes;
  }

  ClipStore.StoredClip make(long episodeId, String title, List<Span> stretches) {
    ClipDocument plain =
        ClipDocument.of(
            stretches,
            Framed.UPRIGHT,
            Lettered.in(LETTERING),
            new Delivered(title, wanted.specsFor(episodeId)));
    return store.create(
        episodeId, houses.of(episodes.row(episodeId).show()).map(h -> h.on(plain)).orElse(plain));
  }
}
