package paringknife.server.clips;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ClipDocument;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Playback;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.dress.Logo;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.Shape;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.Person;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.Cue;
import paringknife.core.letter.cue.KeyWordFinder;
import paringknife.core.letter.drawn.AssScript;
import paringknife.core.letter.drawn.Besides;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.Specimen;
import paringknife.core.letter.style.Place;
import paringknife.core.letter.style.Style;
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

  private final WantedClips wanted;

  PreviewController(Episodes episodes, ClipStore clips, WantedClips wanted) {
    this.episodes = episodes;
    this.clips = clips;
    this.wanted = wanted;
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
   * @param largeFonts files that its captions are drawn from besides those that all are
   * @param logo what stands in a corner of it; null for nothing
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
      List<FaceWarning> faces,
      List<String> largeFonts,
      @Nullable LogoShown logo) {}

  /**
   * A logo as it stands on the canvas.
   *
   * @param picture names it
   * @param place in shares of the canvas
   */
  record LogoShown(
      String picture,
      Logo.Corner corner,
      Obstacles.StandingBox place,
      double size,
      double opacity) {
    static LogoShown of(Logo logo, Canvas canvas) {
      return new LogoShown(
          logo.picture(), logo.corner(), logo.on(canvas), logo.size(), logo.opacity());
    }
  }

  /** As one of the specs asks for it; without a name, as the first that the clip is asked for. */
  @GetMapping("/preview")
  Preview preview(@PathVariable long id, @RequestParam(defaultValue = "") String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    Optional<DeliverySpec> seen = seenAs(episode.specs(), clip.document(), spec);
    Shape shape = seen.map(DeliverySpec::shape).orElse(clip.document().framed().shape());
    Playback playback = worked.playback();
    Canvas canvas = seen.map(DeliverySpec::canvas).orElse(Canvas.of(shape));
    Logo logo = worked.logo();
    return new Preview(
        clip.revision(),
        seen.map(DeliverySpec::id).orElse(null),
        canvas,
        episode.rate().numerator(),
        episode.rate().denominator(),
        playback.isDressed(),
        playback.runs(),
        worked.path(shape).packed(),
        worked.faceWarnings(shape),
        worked.largeFonts(),
        logo == null ? null : LogoShown.of(logo, canvas));
  }

  /**
   * A face that is seen in a clip.
   *
   * @param timesUs when it was found, on the episode's clock
   * @param boxes left, upper edge, width and height at each of these times, as shares of its
   *     camera's picture
   */
  record FaceInClip(int camera, Span shown, List<Long> timesUs, List<Double> boxes) {
    static FaceInClip of(FollowedFace face) {
      return new FaceInClip(
          face.camera(),
          face.shown(),
          face.sightings().stream().map(Person.Sighting::timeUs).toList(),
          face.sightings().stream()
              .map(Person.Sighting::face)
              .flatMap(f -> Stream.of(f.x(), f.y(), f.width(), f.height()))
              .toList());
    }
  }

  /** The faces that its cameras see. */
  @GetMapping("/faces")
  List<FaceInClip> faces(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    return composed(clip, episodes.open(clip.episodeId())).followedFaces().stream()
        .map(FaceInClip::of)
        .toList();
  }

  /**
   * How captions stand on the plate.
   *
   * @param place of all but single ones
   * @param contrast of the text against what is behind it, by WCAG 2.2; null where that is the
   *     picture
   */
  record CaptionStanding(Place place, @Nullable Double contrast) {}

  @GetMapping("/caption-standing")
  CaptionStanding captionStanding(
      @PathVariable long id, @RequestParam(defaultValue = "") String spec) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    CaptionTrack captions = worked.captions();
    Canvas canvas = canvasOf(clip, episode, spec);
    Place place = captions.place(canvas, worked.obstacles(canvas, shapeOf(clip, episode, spec)));
    OptionalDouble contrast = captions.lettering().style().contrast();
    return new CaptionStanding(place, contrast.isPresent() ? contrast.getAsDouble() : null);
  }

  /** The captions as they show. */
  @GetMapping("/cues")
  List<ShownCue> cues(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    double speed = worked.playback().speed();
    Lettered lettered = clip.document().lettered();
    return ShownCue.all(worked.captions().cues(), speed, lettered);
  }

  /** Words that could stand out in the captions. */
  @GetMapping("/key-words")
  List<KeyWordFinder.KeyWord> keyWords(@PathVariable long id) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    return new KeyWordFinder(episode.transcript(), wanted.subjectsFor(clip.episodeId()))
        .propose(composed(clip, episode).captions().cues());
  }

  /**
   * The drawing instructions of the captions, for the worker that draws them over the preview.
   *
   * @param language the one that is looked at; without it, all that go into the picture, and what
   *     is spoken where none does
   */
  @GetMapping(path = "/captions.ass", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
  String captionScript(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String spec,
      @RequestParam(defaultValue = "") String language) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    Canvas canvas = canvasOf(clip, episode, spec);
    Obstacles obstacles = worked.obstacles(canvas, shapeOf(clip, episode, spec));
    if (!language.isEmpty()) {
      return worked.tracks().in(language).ass(canvas, obstacles);
    }
    return worked.tracks().shown(canvas, obstacles, worked.besides());
  }

  /** How captions would look that are only being tried. */
  record TriedStyle(Style style) {}

  /** The drawing instructions of the captions in a style that is only being tried. */
  @PostMapping(path = "/tried.ass", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
  String tried(
      @PathVariable long id,
      @RequestParam(defaultValue = "") String spec,
      @RequestBody TriedStyle asked) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    ComposedClip worked = composed(clip, episode);
    Canvas canvas = canvasOf(clip, episode, spec);
    List<Cue> cues = worked.captions().cues();
    Obstacles obstacles = worked.obstacles(canvas, shapeOf(clip, episode, spec));
    AssScript.Part tried = AssScript.clearOf(obstacles, asked.style(), canvas, cues);
    return AssScript.write(
        canvas, new Besides(canvas).with(List.of(tried), worked.besides(), obstacles));
  }

  private static Shape shapeOf(ClipStore.StoredClip clip, Episode episode, String spec) {
    return seenAs(episode.specs(), clip.document(), spec)
        .map(DeliverySpec::shape)
        .orElse(clip.document().framed().shape());
  }

  private static Canvas canvasOf(ClipStore.StoredClip clip, Episode episode, String spec) {
    return seenAs(episode.specs(), clip.document(), spec)
        .map(DeliverySpec::canvas)
        .orElse(Canvas.of(clip.document().framed().shape()));
  }

  /** A lettering set in a caption of the clip, as it is shown to choose from. */
  @GetMapping("/specimens/{lettering}")
  Specimen specimen(@PathVariable long id, @PathVariable String lettering) {
    ClipStore.StoredClip clip = clips.byId(id);
    Episode episode = episodes.open(clip.episodeId());
    Lettered lettered = clip.document().lettered().inAnother(lettering);
    CaptionTrack captions = episode.compose(clip.document().with(lettered)).captions();
    return Specimen.of(captions.lettering(), captions.cues());
  }

  private ComposedClip composed(ClipStore.StoredClip clip, Episode episode) {
    return composed
        .getOrMake(
            clip.id(),
            known -> known.document() == clip.document() && known.episode() == episode,
            id -> new Composed(clip.document(), episode, episode.compose(clip.document())))
        .clip();
  }

  private static Optional<DeliverySpec> seenAs(
      DeliverySpecs specs, ClipDocument clip, String named) {
    if (!named.isEmpty()) {
      return Optional.of(specs.byId(named));
    }
    Shape shape = clip.framed().shape();
    List<DeliverySpec> fitting =
        specs.all().stream()
            .filter(s -> s.encoding().codec().hasPicture() && s.shape().isLike(shape))
            .toList();
    return fitting.stream()
        .filter(s -> clip.delivered().specs().contains(s.id()))
        .findFirst()
        .or(() -> fitting.stream().findFirst());
  }
}
