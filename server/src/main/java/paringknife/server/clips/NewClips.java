package paringknife.server.clips;

import java.util.List;
import org.springframework.stereotype.Component;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.HouseStyle;
import paringknife.core.deliver.Delivered;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.Layout;
import paringknife.core.letter.Lettered;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.Recording;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.EpisodeStore;
import paringknife.server.shelf.Episodes;

/**
 * Makes clips as they are before anything is done to them: upright, on whoever speaks, for the
 * specs the show asks for, in its style.
 */
@Component
class NewClips {
  private static final String LETTERING = "sluice";
  private static final double WIDE = 16 / 9.0;

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
        episodeId,
        houses
            .of(episodes.row(episodeId).show())
            .map(h -> styled(h.style(), plain, episodeId))
            .orElse(plain));
  }

  private ClipDocument styled(HouseStyle style, ClipDocument plain, long episodeId) {
    return episodes.isPlayable(episodeId)
        ? style.on(plain, episodes.open(episodeId).desk())
        : style.on(plain);
  }

  /**
   * A finished film as one clip: all of it, the whole picture, as it sounds; of the show's style
   * only the captions.
   */
  ClipStore.StoredClip finished(long episodeId, Episode episode) {
    EpisodeStore.Row row = episodes.row(episodeId);
    Recording.Picture picture = episode.recording().picture();
    DeliverySpec spec =
        episode
            .specs()
            .forWhole(picture == null ? WIDE : picture.width() / (double) picture.height());
    ClipDocument plain =
        ClipDocument.of(
            List.of(new Span(0, episode.recording().durationUs())),
            Framed.of(spec.shape(), new Layout.Whole(Ground.DARK)),
            Lettered.in(LETTERING),
            new Delivered(row.title(), List.of(spec.id())));
    return store.create(
        episodeId,
        houses.of(row.show()).map(h -> plain.with(h.style().on(plain).lettered())).orElse(plain));
  }
}
