package paringknife.server.clips;

import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.server.events.Events;

/** Steps of clips that somebody takes without having them open: kept, and told to whoever has. */
@Component
public class ClipSteps {
  private final ClipStore clips;
  private final Events events;

  ClipSteps(ClipStore clips, Events events) {
    this.clips = clips;
    this.events = events;
  }

  /**
   * Takes a step; nothing where it would change nothing.
   *
   * @param seen what it goes on from
   * @param name what undo calls it
   */
  public void take(ClipStore.StoredClip seen, String name, ClipDocument changed) {
    ClipStore.StoredClip after = clips.change(seen, name, changed);
    if (after.revision() != seen.revision()) {
      clips.remember(after);
      events.clipChanged(after.episodeId(), after.id(), after.revision());
    }
  }
}
