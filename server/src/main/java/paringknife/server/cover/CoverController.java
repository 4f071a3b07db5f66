package paringknife.server.cover;

import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.cover.Cover;
import paringknife.core.frame.SeenFace;
import paringknife.server.clips.ClipStore;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;
import paringknife.server.web.NotThere;

/** The stills that stand for clips, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}")
class CoverController {
  private final ClipStore clips;
  private final Episodes episodes;
  private final Covers covers;

  CoverController(ClipStore clips, Episodes episodes, Covers covers) {
    this.clips = clips;
    this.episodes = episodes;
    this.covers = covers;
  }

  /**
   * What can be chosen.
   *
   * @param cover what is chosen
   * @param isKept whether the chosen moment is still in the clip; true where none is chosen
   * @param proposedUs moments on the episode's clock, the best first
   */
  record CoverChoice(Cover cover, boolean isKept, List<Long> proposedUs) {}

  @GetMapping("/covers")
  CoverChoice choice(@PathVariable long id, @RequestParam String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    DeliverySpec wanted = episode.specs().byId(spec);
    Cover cover = clip.document().delivered().cover();
    boolean isKept =
        cover.episodeUs() == null
            || cover
                .frameIn(episode.compose(clip.document()).playback().runs(), episode.rate())
                .isPresent();
    List<Long> proposed =
        wanted.encoding().codec().hasPicture()
            ? covers.proposed(clip, episode, wanted.ofCover().shape()).stream()
                .map(SeenFace::episodeUs)
                .toList()
            : List.of();
    return new CoverChoice(cover, isKept, proposed);
  }

  /**
   * The cover as it goes out.
   *
   * @param us another moment than the chosen one, without a title on it; absent for what is chosen
   */
  @GetMapping("/cover.jpg")
  ResponseEntity<Resource> picture(
      @PathVariable long id,
      @RequestParam String spec,
      @RequestParam(required = false) @Nullable Long us) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    Cover cover = us == null ? clip.document().delivered().cover() : new Cover(us, false);
    Path picture =
        covers
            .picture(clip, episode, episode.specs().byId(spec), cover)
            .orElseThrow(() -> new NotThere("There is nothing to see of this clip."));
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.noCache())
        .body(new FileSystemResource(picture));
  }
}
