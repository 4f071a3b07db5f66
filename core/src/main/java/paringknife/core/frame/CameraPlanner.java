package paringknife.core.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.clip.cut.PictureRun;
import paringknife.core.frame.cameras.CameraChooser;
import paringknife.core.frame.cameras.CameraCut;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.cameras.CameraTurn;
import paringknife.core.frame.people.FollowedFace;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.people.SpeakerPlacement;
import paringknife.core.frame.people.TalkingMouths;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.FrameRate;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * Lays out what is seen of an episode in a shape: which camera, and which part of its picture.
 * Windows lie in the {@link CameraGrid}. Safe for use by several threads.
 */
public final class CameraPlanner {
  private static final Span ALWAYS = new Span(0, Long.MAX_VALUE);

  private final CameraGrid grid;
  private final People people;
  private final List<ShotList> shots;
  private final Transcript transcript;
  private final SpeakerPlacement placement;
  private final List<FramePlanner> planners;
  private final SpeakerTurns turns;

  /**
   * @param people as all cameras see them
   * @param shots of each camera
   */
  public CameraPlanner(
      CameraGrid grid, People people, List<ShotList> shots, Transcript transcript) {
    this.grid = grid;
    this.people = people;
    this.shots = List.copyOf(shots);
    this.transcript = transcript;
    this.placement = SpeakerPlacement.of(people, transcript);
    this.planners =
        IntStream.range(0, grid.cameras())
            .mapToObj(c -> new FramePlanner.Filmed(grid, c, people, shots.get(c)))
            .map(camera -> new FramePlanner(camera, transcript, placement))
            .toList();
    this.turns =
        new SpeakerTurns(
            people.on(0), () -> TalkingMouths.of(people), transcript, shot -> placement);
  }

  /** One camera whose recording is one shot; measures in pixels. */
  public static CameraPlanner of(
      int pictureWidth, int pictureHeight, List<Person> people, Transcript transcript) {
    return of(pictureWidth, pictureHeight, people, ShotList.ONE, transcript);
  }

  /** One camera; measures in pixels. */
  public static CameraPlanner of(
      int pictureWidth,
      int pictureHeight,
      List<Person> people,
      ShotList shots,
      Transcript transcript) {
    return new CameraPlanner(
        CameraGrid.one(pictureWidth, pictureHeight),
        People.found(people),
        List.of(shots),
        transcript);
  }

  /** Whether anybody is seen in the episode. */
  public boolean seesAnybody() {
    return IntStream.range(0, people.count()).anyMatch(people::isSeen);
  }

  /** Who is which speaker. */
  public SpeakerPlacement placement() {
    return placement;
  }

  /**
   * What every frame of a clip shows.
   *
   * @param runs what of the recording's picture plays
   * @param planned what is seen of it
   * @param leastLines the smallest height of a window, in pixels, that is not enlarged so that one
   *     notices; windows come no nearer
   */
  public FramePath path(
      List<PictureRun> runs,
      List<PlannedFrame> planned,
      Framed framed,
      FrameRate rate,
      double leastLines) {
    NearerPath.Seen seen = new NearerPath.Seen(grid, people, shots, rate, leastLines);
    return new NearerPath(FramePath.of(runs, planned, rate), runs, seen)
        .of(framed.pushIns(), framed.alternating());
  }

  /** Where a path does not show faces as it should. */
  public List<FaceWarning> faceWarnings(FramePath path, List<PictureRun> runs, FrameRate rate) {
    return new FaceCheck(new FilmedFaces(grid, people, runs, rate)).of(path);
  }

  /** The faces that all cameras see in some stretches. */
  public List<FollowedFace> followedFaces(List<Span> stretches) {
    return FollowedFace.in(people, shots, stretches);
  }

  /** The faces of those who are shown, where a path has them on the canvas. */
  public List<ShownFace> shownFaces(FramePath path, List<PictureRun> runs, FrameRate rate) {
    return ShownFace.in(path, new FilmedFaces(grid, people, runs, rate));
  }

  /** The largest face that is seen at moments of a path. */
  public List<SeenFace> seenFaces(FramePath path, List<PictureRun> runs, FrameRate rate) {
    return SeenFace.in(path, new FilmedFaces(grid, people, runs, rate));
  }

  /** What is seen during each stretch of a clip, without gap. */
  public List<PlannedFrame> plan(List<Span> stretches, CutList cuts, Framed framed, Shape shape) {
    if (planners.size() == 1) {
      return planners.get(0).plan(stretches, cuts, framed, shape);
    }
    List<List<List<PlannedFrame>>> byCamera =
        planners.parallelStream()
            .map(p -> byStretch(p.plan(stretches, cuts, framed, shape), stretches))
            .toList();
    Function<Span, List<CameraTurn>> byItself =
        byItself(framed.layout(), cuts.index(), shape.ratio());
    List<PlannedFrame> planned = new ArrayList<>();
    CameraCut goingOn = null;
    for (int s = 0; s < stretches.size(); s++) {
      CameraChooser.Chosen chosen = chosen(stretches.get(s), byItself, framed.cameras(), goingOn);
      goingOn = chosen.goingOn();
      for (CameraTurn turn : chosen.turns()) {
        for (PlannedFrame frame : during(turn.span(), byCamera.get(turn.camera()).get(s))) {
          boolean free = !turn.set() && frame.panes().size() > 1;
          planned.add(free ? eachSeenBest(frame, framed.manner(), shape) : frame);
        }
      }
    }
    return planned;
  }

  private CameraChooser.Chosen chosen(
      Span stretch,
      Function<Span, List<CameraTurn>> byItself,
      List<CameraCut> set,
      @Nullable CameraCut goingOn) {
    return CameraChooser.withCuts(byItself.apply(stretch), stretch, set, goingOn);
  }

  /** Where several are seen together it is the camera that sees most of them. */
  private Function<Span, List<CameraTurn>> byItself(Layout layout, KeptIndex kept, double ratio) {
    CameraChooser chooser = new CameraChooser(grid, people, ratio);
    if (layout instanceof Layout.Together) {
      return stretch -> List.of(CameraTurn.of(stretch, chooser.widest(stretch)));
    }
    return stretch ->
        chooser.byItself(
            turns.of(stretch, ALWAYS, kept).stream()
                .map(
                    t -> new CameraChooser.Turn(betweenWords(t.span()), wanted(layout, t.person())))
                .toList());
  }

  /** Turns meet in a word where one lets another hardly finish; cameras change after it. */
  private Span betweenWords(Span turn) {
    long from = afterWord(turn.startUs());
    return new Span(from, Math.max(from, afterWord(turn.endUs())));
  }

  private long afterWord(long us) {
    int word = transcript.firstEndingAfter(us);
    boolean within =
        word < transcript.words().size() && transcript.words().get(word).startUs() < us;
    return within ? transcript.words().get(word).endUs() : us;
  }

  private int wanted(Layout layout, int speaking) {
    return layout instanceof Layout.One one ? people.now(one.person()) : speaking;
  }

  private static List<PlannedFrame> during(Span part, List<PlannedFrame> seen) {
    List<PlannedFrame> within = new ArrayList<>();
    for (PlannedFrame frame : seen) {
      long from = Math.max(part.startUs(), frame.span().startUs());
      long until = Math.min(part.endUs(), frame.span().endUs());
      if (from < until) {
        within.add(frame.during(new Span(from, until)));
      }
    }
    return within;
  }

  /** Several together, each in the picture of the camera that sees them best. */
  private PlannedFrame eachSeenBest(PlannedFrame frame, Manner manner, Shape shape) {
    return frame.with(
        frame.panes().stream()
            .map(
                pane -> {
                  double ratio = pane.place().ratioOn(shape);
                  int person = pane.window().person();
                  return seenBest(person, frame.span(), manner, ratio)
                      .map(window -> new PlannedFrame.Pane(pane.place(), window))
                      .orElse(pane);
                })
            .toList());
  }

  private Optional<PlannedWindow> seenBest(int person, Span span, Manner manner, double ratio) {
    int camera =
        new CameraChooser(grid, people, ratio).seeingBest(new CameraChooser.Turn(span, person));
    return camera < 0 ? Optional.empty() : planners.get(camera).alone(person, span, manner, ratio);
  }

  /** What is planned for each stretch; a plan has no gaps and ends with its stretch. */
  private static List<List<PlannedFrame>> byStretch(
      List<PlannedFrame> planned, List<Span> stretches) {
    List<List<PlannedFrame>> all = new ArrayList<>();
    int next = 0;
    for (Span stretch : stretches) {
      List<PlannedFrame> own = new ArrayList<>();
      while (next < planned.size()
          && (own.isEmpty() || own.get(own.size() - 1).span().endUs() < stretch.endUs())) {
        own.add(planned.get(next++));
      }
      all.add(own);
    }
    return all;
  }
}
