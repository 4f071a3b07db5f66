package paringknife.server.outbox;

import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.post.PostTexts;
import paringknife.server.clips.ClipPosts;
import paringknife.server.clips.ClipStore;
import paringknife.server.deliver.ReadyCells;
import paringknife.server.specs.SpecStore;
import paringknife.server.web.NotThere;
import paringknife.server.web.NotYet;

/** Puts together what is handed over: the finished file as it is now, with its texts. */
@Component
class Consignments {
  private final ClipStore clips;
  private final ClipPosts posts;
  private final SpecStore specs;
  private final ReadyCells ready;

  Consignments(ClipStore clips, ClipPosts posts, SpecStore specs, ReadyCells ready) {
    this.clips = clips;
    this.posts = posts;
    this.specs = specs;
    this.ready = ready;
  }

  /**
   * What is posted of a clip.
   *
   * @throws NotYet saying what is still to be done
   */
  Outlet.Consignment of(PostingStore.Row row, DestinationStore.Destination to) {
    ClipStore.StoredClip clip;
    try {
      clip = clips.byId(row.clipId());
    } catch (NotThere e) {
      throw new NotYet("its clip is in the bin");
    }
    DeliverySpec spec =
        specs.all().find(row.spec()).orElseThrow(() -> new NotYet("its spec is gone"));
    PostTexts texts = spec.texts().of(clip.document().title(), posts.of(clip));
    return new Outlet.Consignment(row.key(), to.name(), to.rules(), ready.file(clip, spec), texts);
  }
}
