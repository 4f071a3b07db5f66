package paringknife.server.deliver;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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
 * What is known of clips for every spec before rendering, worked out once for each state of a clip
 * and kept, so that reading a sheet composes nothing anew.
 */
@Component
class PlannedCells {
  private static final int AT_HAND = 2_000;

  /** What sound alone counts as, pixels; a guess. */
  private static final double SOUND_ALONE = 40_000;

  private final Recent<Planned> planned = new Recent<>(AT_HAND);
  private final Episodes episodes;
  private final PlanStore store;

  PlannedCells(Episodes episodes, PlanStore store) {
    this.episodes = episodes;
    this.store = store;
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

  private record Planned(int revision, Episodes.Standing standing, Clip clip) {
    boolean isOf(ClipStore.StoredClip clip, Episodes.Standing now) {
      return revision == clip.revision() && standing.equals(now);
    }
  }

  /**
   * What is known of a clip.
   *
   * @param standing of its episode, which is opened only where something has changed since
   */
  Clip of(ClipStore.StoredClip clip, Episodes.Standing standing) {
    return planned
        .getOrMake(
            clip.id(),
            known -> known.isOf(clip, standing),
            id -> new Planned(clip.revision(), standing, keptOrMade(clip, standing)))
        .clip();
  }

  private Clip keptOrMade(ClipStore.StoredClip clip, Episodes.Standing standing) {
    Clip kept = store.of(List.of(clip), standing).get(clip.id());
    return kept != null ? kept : made(clip, standing);
  }

  private Clip made(ClipStore.StoredClip clip, Episodes.Standing standing) {
    Clip made = plan(clip.document(), episodes.open(clip.episodeId()));
    store.keep(clip, standing, made);
    return made;
  }

  /** Has what is known of clips of an episode at hand: those that were kept by one query. */
  void haveAtHand(List<ClipStore.StoredClip> clips, Episodes.Standing standing) {
    List<ClipStore.StoredClip> unknown =
        clips.stream()
            .filter(
                c -> {
                  Planned known = planned.get(c.id());
                  return known == null || !known.isOf(c, standing);
                })
            .toList();
    if (unknown.isEmpty()) {
      return;
    }
    Map<Long, Clip> kept = store.of(unknown, standing);
    unknown.parallelStream()
        .forEach(
            c ->
                planned.getOrMake(
                    c.id(),
                    known -> known.isOf(c, standing),
                    id -> {
                      Clip plan = kept.get(id);
                      return new Planned(
                          c.revision(), standing, plan == null ? made(c, standing) : plan);
                    }));
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
