package paringknife.server.clips;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Playback;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.Shape;
import paringknife.core.letter.Canvas;
import paringknife.core.letter.Cue;
import paringknife.core.letter.CueWord;
import paringknife.core.time.Span;
import paringknife.server.database.Recent;
import paringknife.server.episodes.Episode;
import paringknife.server.shelf.Episodes;

/** What a clip plays and shows, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}")
class PreviewController {
  private final Episodes episodes;
  private final ClipStore clips;
  private final Recent<Composed> composed = new Recent<>(24);

  private record Composed(ClipDocument document, Episode episode, ComposedClip clip) {}

  PreviewController(Episodes episodes, ClipStore clips) {
    this.episodes = episodes;
    this.clips = clips;
  }

  /**
   * What plays and shows, frame by frame.
   *
   * @param spec the delivery spec that it is as; null where none has the clip's shape
   * @param dressed whether the sound is more than the recording cut: room tone, or cleaned
   * @param path what every frame shows, packed: of each segment its first frame, how many, the
   *     person, how many windows follow (1: for all frames), and of each window its left and upper
   *     edge, width and height in pixels of the recording
   * @param faces segments in which a face is cut or small
   */
  record Preview(
      int revision,
      @Nullable String spec,
      Canvas canvas,
      int frameRateNumerator,
      int frameRateDenominator,
      boolean dressed,
      List<PictureRun> runs,
      double[] path,
      List<FaceWarning> faces) {}

  /**
   * A caption.
   *
   * @param span when it shows, on the clip's own clock at speed 1
   * @param played when it shows as the clip plays
   * @param charactersPerSecond how fast it is to read as the clip plays
   */
  record CueShown(Span span, Span played, List<List<CueWord>> lines, double charactersPerSecond) {}

  /** As one of the specs asks for it; without a name, as the first that the clip is asked for. */
  @GetMapping("/preview")
  Preview preview(@PathVariable long id, @RequestParam(defaultValue = "") String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    Optional<DeliverySpec> seen = seenAs(clip.document(), spec);
    Shape shape = seen.map(DeliverySpec::shape).orElse(clip.document().framed().shape());
    Playback playback = worked.playback();
    return new Preview(
        clip.revision(),
        seen.map(DeliverySpec::id).orElse(null),
        seen.map(DeliverySpec::canvas).orElse(Canvas.of(shape)),
        episode.rate().numerator(),
        episode.rate().denominator(),
        playback.isDressed(),
        playback.runs(),
        worked.path(shape).packed(),
        worked.faceWarnings(shape));
  }

  @GetMapping("/cues")
  List<CueShown> cues(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    ComposedClip worked = composed(clip, episodes.open(clip.episodeId()));
    double speed = worked.playback().speed();
    return worked.captions().cues().stream().map(c -> shown(c, c.played(speed))).toList();
  }

  private static CueShown shown(Cue cue, Cue played) {
    return new CueShown(cue.span(), played.span(), cue.lines(), played.charactersPerSecond());
  }

  /** The drawing instructions of the captions, for the worker that draws them over the preview. */
  @GetMapping(path = "/captions.ass", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
  String captionScript(@PathVariable long id, @RequestParam(defaultValue = "") String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    Canvas canvas =
        seenAs(clip.document(), spec)
            .map(DeliverySpec::canvas)
            .orElse(Canvas.of(clip.document().framed().shape()));
    return composed(clip, episodes.open(clip.episodeId())).captions().ass(canvas);
  }

  private ComposedClip composed(ClipStore.StoredClip clip, Episode episode) {
    return composed
        .getOrMake(
            clip.id(),
            known -> known.document() == clip.document() && known.episode() == episode,
            id -> new Composed(clip.document(), episode, episode.compose(clip.document())))
        .clip();
  }

  private static Optional<DeliverySpec> seenAs(ClipDocument clip, String named) {
    if (!named.isEmpty()) {
      return Optional.of(DeliverySpecs.byId(named));
    }
    Shape shape = clip.framed().shape();
    List<DeliverySpec> fitting =
        DeliverySpecs.shipped().stream().filter(s -> s.shape().isLike(shape)).toList();
    return fitting.stream()
        .filter(s -> clip.delivered().specs().contains(s.id()))
        .findFirst()
        .or(() -> fitting.stream().findFirst());
  }
}
