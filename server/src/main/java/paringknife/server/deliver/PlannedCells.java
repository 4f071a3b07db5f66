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
import paringknife.server.shelf.Episodes;

/**
 * What is known of clips for every spec before rendering, worked out once for each state of a clip,
 * so that reading a sheet composes nothing anew.
 */
@Component
class PlannedCells {
  private static final int AT_HAND = 2_000;

  /** What sound alone counts as, pixels; a guess. */
  private static final double SOUND_ALONE = 40_000;

  private final Recent<Planned> planned = new Recent<>(AT_HAND);
  private final Episodes episodes;

  PlannedCells(Episodes episodes) {
    this.episodes = episodes;
  }

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
  record Clip(long lengthUs, List<Cell> cells, String proof) {
    /** Fingerprint of the file for a spec; empty where there is no such spec. */
    String fingerprint(String spec) {
      return cells.stream()
          .filter(c -> c.spec().id().equals(spec))
          .map(Cell::fingerprint)
          .findFirst()
          .orElse("");
    }

    /** What there is to render: seconds of film times millions of pixels. */
    double work(DeliverySpec spec) {
      double pixels =
          spec.encoding().codec().hasPicture()
              ? (double) spec.canvas().width() * spec.canvas().height()
              : SOUND_ALONE;
      return lengthUs / 1e6 * pixels / 1e6;
    }
  }

  private record Planned(int revision, Episodes.Standing standing, Clip clip) {}

  /**
   * What is known of a clip.
   *
   * @param standing of its episode, which is opened only where something has changed since
   */
  Clip of(ClipStore.StoredClip clip, Episodes.Standing standing) {
    return planned
        .getOrMake(
            clip.id(),
            known -> known.revision() == clip.revision() && known.standing().equals(standing),
            id ->
                new Planned(
                    clip.revision(),
                    standing,
                    plan(clip.document(), episodes.open(clip.episodeId()))))
        .clip();
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
