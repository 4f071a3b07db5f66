package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.pare.ClipDocument;
import paringknife.core.pare.ClipSettings;
import paringknife.core.pare.Framing;
import paringknife.core.time.Span;

/**
 * Makes clips as they are before anything is done to them: upright, on whoever speaks, for the
 * specs the show asks for.
 */
@Component
class NewClips {
  private static final String SHAPE = "9:16";
  private static final String LETTERING = "sluice";

  private final ClipStore store;
  private final WantedSpecs wanted;

  NewClips(ClipStore store, WantedSpecs wanted) {
    this.store = store;
    this.wanted = wanted;
  }

  ClipStore.StoredClip make(long episodeId, String title, List<Span> stretches) {
    ClipSettings settings =
        new ClipSettings(
            title, stretches, SHAPE, Framing.SPEAKER, LETTERING, wanted.specsFor(episodeId));
    return store.create(episodeId, ClipDocument.of(settings));
  }
}
