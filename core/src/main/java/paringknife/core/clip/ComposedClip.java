package paringknife.core.clip;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.clip.cut.PlayedWord;
import paringknife.core.deliver.DeliverySpec;
import paringknife.core.deliver.DeliverySpecs;
import paringknife.core.deliver.Limit;
import paringknife.core.dress.LaidTexts;
import paringknife.core.dress.Logo;
import paringknife.core.frame.Backdrop;
import paringknife.core.frame.CameraPlanner;
import paringknife.core.frame.FaceWarning;
import paringknife.core.frame.FilmedTexts;
import paringknife.core.frame.FramePath;
import paringknife.core.frame.Framed;
import paringknife.core.frame.Ground;
import paringknife.core.frame.PlannedFrame;
import paringknife.core.frame.SeenFace;
import paringknife.core.frame.Shape;
import paringknife.core.frame.ShownFace;
import paringknife.core.frame.ShownText;
import paringknife.core.frame.colour.CameraColours;
import paringknife.core.frame.colour.Look;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.SmoothedSkin;
import paringknife.core.letter.CaptionTrack;
import paringknife.core.letter.CaptionTracks;
import paringknife.core.letter.LargeFonts;
import paringknife.core.letter.cue.SaidSentence;
import paringknife.core.letter.drawn.Beside;
import paringknife.core.letter.drawn.Canvas;
import paringknife.core.letter.drawn.Obstacles;
import paringknife.core.letter.fonts.BorrowedLetters;
import paringknife.core.pare.SoundPlanner;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.DoubtfulWords;
import paringknife.core.transcript.Transcript;

/**
 * One state of a clip worked out: what it plays and its captions once, its path once for each
 * shape, however many specs ask. Safe for use by several threads.
 */
public final class ComposedClip {
  private final State state;
  private final Map<Shape, FramePath> paths = new ConcurrentHashMap<>();
  private final Map<Shape, List<ShownFace>> faces = new ConcurrentHashMap<>();
  private final Map<Shape, List<ShownText>> texts = new ConcurrentHashMap<>();
  private final Map<Shape, List<FaceWarning>> warnings = new ConcurrentHashMap<>();
  private volatile @Nullable Playback playback;
  private volatile @Nullable CaptionTracks captions;
  private volatile @Nullable SmoothedSkin skin;
  private volatile @Nullable Integer doubtfulWords;

  /** What a clip is worked out from. */
  public record Material(
      Transcript transcript,
      CameraPlanner planner,
      FilmedTexts texts,
      SoundPlanner sound,
      FrameRate rate,
      DeliverySpecs specs) {}

  private record State(ClipDocument clip, CutList cuts, Material material) {}

  /**
   * @param cuts the clip's cut list
   */
  public ComposedClip(ClipDocument clip, CutList cuts, Material material) {
    this.state = new State(clip, cuts, material);
  }

  public ComposedClip(ClipDocument clip, Material material) {
    this(clip, clip.pared().cuts(material.transcript()), material);
  }

  public CutList cuts() {
    return state.cuts();
  }

  public Playback playback() {
    Playback made = playback;
    if (made == null) {
      made =
          new Playback(
              state.cuts(),
              state.material().sound().plan(state.clip().pared(), state.cuts()),
              state.clip().sounded().cleanup(),
              PictureRun.of(state.cuts(), state.material().rate()),
              state.clip().pared().speed());
      playback = made;
    }
    return made;
  }

  /** Files of the large fonts that captions are drawn from, besides those that all are. */
  public List<String> largeFonts() {
    List<String> files =
        new ArrayList<>(
            LargeFonts.of(state.clip().lettered(), cuts(), state.material().transcript()));
    files.addAll(BorrowedLetters.largeFiles(texts().texts().toList()));
    return files.stream().distinct().toList();
  }

  /** What is seen behind people; null for what was recorded, as where there is nobody. */
  public @Nullable Ground behind() {
    return state.material().planner().seesAnybody() ? state.clip().framed().behind() : null;
  }

  /** The picture that is seen as a ground; null where none is. */
  public @Nullable Backdrop backdrop() {
    return state.clip().framed().shownBackdrop();
  }

  /** Whose skin is smoothed, and how much. */
  public SmoothedSkin skin() {
    SmoothedSkin made = skin;
    if (made == null) {
      double amount = state.clip().framed().skin();
      made = amount == 0 ? SmoothedSkin.NONE : new SmoothedSkin(amount, followedFaces());
      skin = made;
    }
    return made;
  }

  /** The faces that its cameras see. */
  public List<FollowedFace> followedFaces() {
    return state.material().planner().followedFaces(state.clip().pared().stretches());
  }

  /** What is done to the picture itself. */
  public Look look() {
    return state.clip().framed().look();
  }

  /** Whether cameras are made to look alike. */
  public CameraColours colours() {
    return state.clip().framed().colours();
  }

  /** What every frame shows in a shape. */
  public FramePath path(Shape shape) {
    return paths.computeIfAbsent(
        shape,
        s -> {
          CameraPlanner planner = state.material().planner();
          Framed framed = state.clip().framed();
          return planner.path(
              playback().runs(), planned(s), framed, state.material().rate(), leastLines(s));
        });
  }

  /** Where faces are not seen in a shape as they should be. */
  public List<FaceWarning> faceWarnings(Shape shape) {
    return warnings.computeIfAbsent(
        shape,
        s -> {
          Material material = state.material();
          return material.planner().faceWarnings(path(s), playback().runs(), material.rate());
        });
  }

  private int doubtfulWords() {
    Integer made = doubtfulWords;
    if (made == null) {
      made =
          (int)
              PlayedWord.of(cuts(), state.material().transcript()).stream()
                  .filter(w -> DoubtfulWords.isUnsure(w.word()))
                  .count();
      doubtfulWords = made;
    }
    return made;
  }

  /** What captions keep clear of on a canvas: faces, and what is laid over. */
  public Obstacles obstacles(Canvas canvas, Shape shape) {
    Obstacles seen = Obstacles.of(faces(shape)).andTexts(texts(shape));
    Logo logo = logo();
    return logo == null ? seen : seen.and(logo.on(canvas));
  }

  /** What stands in a corner of it; null for nothing. */
  public @Nullable Logo logo() {
    return state.clip().laidOver().logo();
  }

  /** Names and call-outs. */
  public List<Beside> besides() {
    return texts().besides();
  }

  private LaidTexts texts() {
    return new LaidTexts(state.clip().laidOver(), cuts(), state.material().transcript());
  }

  /** Where text of the recording is seen in a shape. */
  private List<ShownText> texts(Shape shape) {
    return texts.computeIfAbsent(
        shape,
        s -> {
          Material material = state.material();
          return material.texts().in(path(s), playback().runs(), material.rate());
        });
  }

  /** Where faces are seen in a shape. */
  private List<ShownFace> faces(Shape shape) {
    return faces.computeIfAbsent(
        shape,
        s -> {
          Material material = state.material();
          return material.planner().shownFaces(path(s), playback().runs(), material.rate());
        });
  }

  /** The largest face that is seen at moments of a shape. */
  public List<SeenFace> seenFaces(Shape shape) {
    Material material = state.material();
    return material.planner().seenFaces(path(shape), playback().runs(), material.rate());
  }

  /** What is seen of the episode in a shape, on the episode's clock. */
  public List<PlannedFrame> planned(Shape shape) {
    return state
        .material()
        .planner()
        .plan(state.clip().pared().stretches(), state.cuts(), state.clip().framed(), shape);
  }

  /** The least lines of the recording that do for what is asked for in a shape. */
  private double leastLines(Shape shape) {
    return state.material().specs().among(state.clip().delivered().specs()).stream()
        .filter(spec -> spec.shape().isLike(shape))
        .mapToInt(spec -> spec.canvas().height())
        .mapToDouble(Limit.PictureSize::leastLines)
        .max()
        .orElse(Limit.PictureSize.leastLines(Canvas.of(shape).height()));
  }

  /** The captions of what is said. */
  public CaptionTrack captions() {
    return tracks().spoken();
  }

  /** The captions in all languages. */
  public CaptionTracks tracks() {
    CaptionTracks made = captions;
    if (made == null) {
      made =
          CaptionTracks.of(
              state.clip().lettered(), state.cuts(), uncaptioned(), state.material().transcript());
      captions = made;
    }
    return made;
  }

  private List<Span> uncaptioned() {
    return Uncaptioned.of(state.clip(), state.material().transcript());
  }

  /** The sentences that there are to translate. */
  public List<SaidSentence> said() {
    return SaidSentence.of(state.cuts(), state.material().transcript(), uncaptioned());
  }

  /** All of it for one spec. */
  public Composition forSpec(DeliverySpec spec) {
    FramePath path = path(spec.shape());
    return new Composition(
        playback(),
        path,
        tracks().usedAs(spec.captions()),
        obstacles(spec.canvas(), spec.shape()),
        spec.within(path.leastLines()),
        behind(),
        backdrop(),
        look(),
        skin(),
        colours(),
        logo(),
        besides(),
        state.material().rate(),
        new Composition.Noticed(faceWarnings(spec.shape()), doubtfulWords()),
        state.clip().delivered());
  }
}
