package paringknife.server.clips;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.frame.Shape;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.server.database.Recent;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** Clips as they are now, composed once for each state of those that were looked at last. */
@Component
class OpenClips {
  private final Episodes episodes;
  private final ClipStore clips;
  private final Recent<Open> recent = new Recent<>(24);

  OpenClips(Episodes episodes, ClipStore clips) {
    this.episodes = episodes;
    this.clips = clips;
  }

  /**
   * A clip with its episode.
   *
   * @param clip composed
   */
  record Open(ClipStore.StoredClip stored, Episode episode, ComposedClip clip) {
    ClipDocument document() {
      return stored.document();
    }

    /**
     * The spec that it is seen as.
     *
     * @param named empty for the first of its shape, rather one that it is asked for
     * @return empty where no spec has its shape
     */
    Optional<DeliverySpec> seenAs(String named) {
      if (!named.isEmpty()) {
        return Optional.of(episode.specs().byId(named));
      }
      List<DeliverySpec> fitting =
          episode.specs().all().stream()
              .filter(s -> s.encoding().codec().hasPicture())
              .filter(s -> s.shape().isLike(document().framed().shape()))
              .toList();
      return fitting.stream()
          .filter(s -> document().delivered().specs().contains(s.id()))
          .findFirst()
          .or(() -> fitting.stream().findFirst());
    }

    Shape shape(String spec) {
      return seenAs(spec).map(DeliverySpec::shape).orElse(document().framed().shape());
    }

    Canvas canvas(String spec) {
      return seenAs(spec).map(DeliverySpec::canvas).orElse(Canvas.of(document().framed().shape()));
    }

    /** What captions keep clear of. */
    Obstacles obstacles(String spec) {
      return clip.obstacles(canvas(spec), shape(spec));
    }
  }

  Open byId(long id) {
    ClipStore.StoredClip stored = clips.byId(id);
    Episode episode = episodes.open(stored.episodeId());
    Open held =
        recent.getOrMake(
            id,
            known -> known.stored().document() == stored.document() && known.episode() == episode,
            any -> new Open(stored, episode, episode.compose(stored.document())));
    return new Open(stored, episode, held.clip());
  }
}
