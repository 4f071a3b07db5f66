package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.deliver.Delivered;
import paringknife.core.frame.Framed;
import paringknife.core.letter.Lettered;
import paringknife.core.time.Span;

/**
 * Makes clips as they are before anything is done to them: upright, on whoever speaks, for the
 * specs the show asks for.
 */
@Component
class NewClips {
  private static final String LETTERING = "sluice";

  private final ClipStore store;
  private final WantedSpecs wanted;

  NewClips(ClipStore store, WantedSpecs wanted) {
    this.store = store;
    this.wanted = wanted;
  }

  ClipStore.StoredClip make(long episodeId, String title, List<Span> stretches) {
    return store.create(
        episodeId,
        ClipDocument.of(
            stretches,
            Framed.UPRIGHT,
            Lettered.in(LETTERING),
            new Delivered(title, wanted.specsFor(episodeId))));
  }
}
