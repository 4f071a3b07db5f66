package paringknife.server.outbox;

import java.io.UncheckedIOException;
import org.springframework.stereotype.Component;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.post.PostTexts;
import paringknife.media.ffmpeg.UnusableRecording;
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
    try {
      ClipStore.StoredClip clip = clips.byId(row.clipId());
      DeliverySpec spec =
          specs.all().find(row.spec()).orElseThrow(() -> new NotYet("its spec is gone"));
      PostTexts texts = spec.texts().of(clip.document().title(), posts.of(clip));
      return new Outlet.Consignment(
          row.key(), to.name(), to.rules(), ready.file(clip, spec), texts);
    } catch (NotThere e) {
      throw new NotYet("its clip or its episode is in the bin");
    } catch (UncheckedIOException | UnusableRecording e) {
      throw new NotYet("its episode cannot be opened");
    }
  }
}
