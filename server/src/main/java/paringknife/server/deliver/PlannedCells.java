package paringknife.server.deliver;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Composition;
import paringknife.core.deliver.Check;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.proof.ProofCopy;
import paringknife.server.clips.ClipStore;
import paringknife.server.database.Recent;
import paringknife.server.episodes.Episode;

/**
 * What is known of clips for every spec before rendering, worked out once for each state of a clip,
 * so that reading a sheet composes nothing anew.
 */
@Component
class PlannedCells {
  private static final int AT_HAND = 2_000;

  private final Recent<Planned> planned = new Recent<>(AT_HAND);

  /** A clip for one spec. */
  record Cell(DeliverySpec spec, List<Check> checks, String fingerprint) {
    boolean passes() {
      return Check.pass(checks);
    }
  }

  /**
   * A clip for all specs.
   *
   * @param proof fingerprint of the small file that is shown for a yes
   */
  record Clip(long lengthUs, List<Cell> cells, String proof) {}

  private record Planned(int revision, Episode episode, long soundMadeAt, Clip clip) {}

  Clip of(ClipStore.StoredClip clip, Episode episode) {
    long soundMadeAt = episode.folder().soundMadeAt();
    Planned known = planned.get(clip.id());
    if (known != null
        && known.revision() == clip.revision()
        && known.episode() == episode
        && known.soundMadeAt() == soundMadeAt) {
      return known.clip();
    }
    Clip made = plan(clip.document(), episode);
    planned.put(clip.id(), new Planned(clip.revision(), episode, soundMadeAt, made));
    return made;
  }

  private static Clip plan(ClipDocument document, Episode episode) {
    ComposedClip clip = episode.compose(document);
    String ofClip = Fingerprint.ofClip(episode, clip);
    List<Cell> cells = new ArrayList<>();
    for (DeliverySpec spec : episode.specs().all()) {
      Composition composition = clip.forSpec(spec);
      cells.add(new Cell(spec, composition.preflight(), Fingerprint.of(ofClip, composition)));
    }
    Composition proof = clip.forSpec(ProofCopies.specOf(ProofCopy.ID, document, episode));
    return new Clip(clip.playback().lengthUs(), cells, Fingerprint.of(ofClip, proof));
  }
}
