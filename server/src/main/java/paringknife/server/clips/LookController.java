package paringknife.server.clips;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.cut.CutList;
import paringknife.core.frame.Framed;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.EvenedLook;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.colour.SeenColours;
import paringknife.core.time.Span;
import paringknife.media.ffmpeg.ColourReading;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** Proposes what to do to the picture of a clip, over HTTP. */
@RestController
class LookController {
  /** In how many places the clip is looked at. */
  private static final int PLACES = 8;

  private final Episodes episodes;
  private final ClipStore clips;

  LookController(Episodes episodes, ClipStore clips) {
    this.episodes = episodes;
    this.clips = clips;
  }

  /**
   * The look that evens what is seen in a clip.
   *
   * @param camera of which alone, counted from 0; null for all that is seen
   */
  @GetMapping("/api/clips/{id}/look")
  Look evened(@PathVariable long id, @RequestParam(required = false) @Nullable Integer camera) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip composed = episode.compose(clip.document());
    List<SeenColours> byCamera =
        new ColourReading(episode.folder().proxy(), episode.grid()).at(places(composed.cuts()));
    Framed framed = clip.document().framed();
    if (camera == null) {
      List<Integer> pixels = new ArrayList<>();
      for (int seen : composed.path(framed.shape()).cameras(episode.grid())) {
        pixels.addAll(byCamera.get(seen).pixels());
      }
      return EvenedLook.of(new SeenColours(pixels), framed.look().mirrored());
    }
    if (camera < 0 || camera >= byCamera.size()) {
      throw new IllegalArgumentException("There is no such camera.");
    }
    return EvenedLook.of(byCamera.get(likeOf(camera, framed.colours())), false);
  }

  /** A camera that is made to look like another is evened as that one. */
  private static int likeOf(int camera, CameraColours colours) {
    return colours.camera() == CameraColours.TO_NONE ? camera : colours.camera();
  }

  /** Spread evenly over what plays, on the episode's clock. */
  private static List<Long> places(CutList cuts) {
    List<Long> places = new ArrayList<>();
    long plays = cuts.kept().stream().mapToLong(Span::lengthUs).sum();
    for (int i = 0; i < PLACES; i++) {
      long left = (2 * i + 1) * plays / (2 * PLACES);
      for (Span span : cuts.kept()) {
        if (left < span.lengthUs()) {
          places.add(span.startUs() + left);
          break;
        }
        left -= span.lengthUs();
      }
    }
    return places;
  }
}
