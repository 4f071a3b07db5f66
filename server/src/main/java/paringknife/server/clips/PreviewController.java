package paringknife.server.clips;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import paringknife.core.clip.ComposedClip;
import paringknife.core.clip.Playback;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.dress.Logo;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.Shape;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.Person;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.Lettered;
import paringknife.core.letter.cue.KeyWordFinder;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.drawn.Specimen;
import paringknife.core.letter.style.Place;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;

/** What a clip plays and shows, over HTTP. */
@RestController
@RequestMapping("/api/clips/{id}")
class PreviewController {
  private final OpenClips clips;
  private final WantedClips wanted;

  PreviewController(OpenClips clips, WantedClips wanted) {
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
    OpenClips.Open open = clips.byId(id);
    ComposedClip worked = open.clip();
    Shape shape = open.shape(spec);
    Playback playback = worked.playback();
    Canvas canvas = open.canvas(spec);
    FrameRate rate = open.episode().rate();
    Logo logo = worked.logo();
    return new Preview(
        open.stored().revision(),
        open.seenAs(spec).map(DeliverySpec::id).orElse(null),
        canvas,
        rate.numerator(),
        rate.denominator(),
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
    return clips.byId(id).clip().followedFaces().stream().map(FaceInClip::of).toList();
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
    OpenClips.Open open = clips.byId(id);
    CaptionTrack captions = open.clip().captions();
    Place place = captions.place(open.canvas(spec), open.obstacles(spec));
    OptionalDouble contrast = captions.lettering().style().contrast();
    return new CaptionStanding(place, contrast.isPresent() ? contrast.getAsDouble() : null);
  }

  /** The captions as they show. */
  @GetMapping("/cues")
  List<ShownCue> cues(@PathVariable long id) {
    OpenClips.Open open = clips.byId(id);
    double speed = open.clip().playback().speed();
    Lettered lettered = open.document().lettered();
    return ShownCue.all(open.clip().captions().cues(), speed, lettered);
  }

  /** Words that could stand out in the captions. */
  @GetMapping("/key-words")
  List<KeyWordFinder.KeyWord> keyWords(@PathVariable long id) {
    OpenClips.Open open = clips.byId(id);
    return new KeyWordFinder(
            open.episode().transcript(), wanted.subjectsFor(open.stored().episodeId()))
        .propose(open.clip().captions().cues());
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
    OpenClips.Open open = clips.byId(id);
    ComposedClip worked = open.clip();
    Canvas canvas = open.canvas(spec);
    Obstacles obstacles = open.obstacles(spec);
    if (!language.isEmpty()) {
      return worked.tracks().in(language).ass(canvas, obstacles);
    }
    return worked.tracks().shown(canvas, obstacles, worked.besides());
  }

  /** A lettering set in a caption of the clip, as it is shown to choose from. */
  @GetMapping("/specimens/{lettering}")
  Specimen specimen(@PathVariable long id, @PathVariable String lettering) {
    OpenClips.Open open = clips.byId(id);
    Lettered lettered = open.document().lettered().inAnother(lettering);
    CaptionTrack captions = open.episode().compose(open.document().with(lettered)).captions();
    return Specimen.of(captions.lettering(), captions.cues());
  }
}
