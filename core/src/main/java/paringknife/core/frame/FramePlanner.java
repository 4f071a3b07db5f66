package paringknife.core.frame;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import paringknife.core.clip.cut.CutList;
import paringknife.core.clip.cut.KeptIndex;
import paringknife.core.frame.cameras.CameraGrid;
import paringknife.core.frame.people.Face;
import paringknife.core.frame.people.People;
import paringknife.core.frame.people.Person;
import paringknife.core.frame.people.SpeakerPlacement;
import paringknife.core.frame.people.TalkingMouths;
import paringknife.core.frame.shots.ShotList;
import paringknife.core.time.Span;
import paringknife.core.transcript.Transcript;

/**
 * Lays out what is seen of a camera's picture in a shape: whom its turns and layouts ask for,
 * changed where something was set by hand, and for each of them a window with the face in the
 * middle, eyes near the upper third where the picture leaves room (common practice), held while the
 * person keeps to their place and following them where they leave it.
 */
final class FramePlanner {
  private static final double TIGHTEST = 0.8;

  /** A window is never so near that less than this share of the picture's height is seen. */
  private static final double NEAREST = 0.3;

  private final CameraGrid grid;
  private final CameraGrid.Cell picture;
  private final People known;
  private final List<Person> people;
  private final ShotList shots;
  private final SpeakerTurns turns;

  /** How much of the picture is below the eyes of whoever's are highest, pixels. */
  private final double belowEyes;

  private final Map<Following, FollowedPerson> followed = new ConcurrentHashMap<>();

  private final Map<Span, SpeakerPlacement> placements = new ConcurrentHashMap<>();

  private record Following(
      int person, Span shot, double ratio, double height, Liveliness liveliness) {}

  /**
   * What a camera has filmed of an episode.
   *
   * @param number of the camera, counted from 0
   */
  record Filmed(CameraGrid grid, int number, People people, ShotList shots) {}

  FramePlanner(Filmed camera, Transcript transcript, SpeakerPlacement placement) {
    this.grid = camera.grid();
    this.picture = grid.cells().get(camera.number());
    this.known = camera.people();
    this.people = known.on(camera.number());
    this.shots = camera.shots();
    this.turns =
        new SpeakerTurns(
            people,
            () -> TalkingMouths.seenBy(people),
            transcript,
            shot -> placementIn(shot, transcript, placement));
    this.belowEyes =
        people.stream()
            .filter(Person::isSeen)
            .mapToDouble(p -> p.typicalFace(0, Long.MAX_VALUE).eyesY())
            .map(eyes -> (1 - eyes) * picture.height())
            .max()
            .orElse(0);
  }

  /** Who speaks of those who are seen in a shot. */
  private SpeakerPlacement placementIn(
      Span shot, Transcript transcript, SpeakerPlacement everywhere) {
    return placements.computeIfAbsent(shot, s -> everywhere.in(s, people, transcript));
  }

  /** What is seen during each stretch of a clip, without gap. */
  List<PlannedFrame> plan(List<Span> stretches, CutList cuts, Framed framed, Shape shape) {
    KeptIndex kept = cuts.index();
    List<PlannedFrame> frames = new ArrayList<>();
    SetFrame goingOn = null;
    for (Span stretch : stretches) {
      List<Holding> holdings = new ArrayList<>();
      goingOn = fromHere(framed.set(), stretch, goingOn, holdings);
      framed.set().stream()
          .filter(s -> !(s.extent() instanceof SetFrame.Extent.FromHere))
          .forEach(s -> holdings.add(new Holding(held(s.extent(), stretch), s)));
      holdings.sort(Comparator.comparingInt(h -> h.set().extent().narrowness()));
      // Shots have nothing to do with one another.
      shots.parts(stretch).parallelStream()
          .map(part -> planned(part, framed, holdings, kept, shape))
          .forEachOrdered(frames::addAll);
    }
    return frames;
  }

  private List<PlannedFrame> planned(
      Span part, Framed framed, List<Holding> holdings, KeptIndex kept, Shape shape) {
    Span shot = shots.around(part.startUs());
    return shown(part, shot, framed.layout(), holdings, kept).stream()
        .map(turn -> frame(turn, shot, framed.manner(), shape))
        .toList();
  }

  /** What was set, and where in a stretch it holds. */
  private record Holding(Span span, SetFrame set) {}

  private Span held(SetFrame.Extent extent, Span stretch) {
    if (extent instanceof SetFrame.Extent.Stretch part) {
      return part.span();
    }
    return extent instanceof SetFrame.Extent.Shot shot ? shots.around(shot.atUs()) : stretch;
  }

  /** What holds from somewhere on, in the order of the clip; answers what goes on after. */
  private static @Nullable SetFrame fromHere(
      List<SetFrame> set, Span stretch, @Nullable SetFrame before, List<Holding> holdings) {
    SetFrame now = before;
    long from = stretch.startUs();
    List<SetFrame> here =
        set.stream()
            .filter(
                s -> s.extent() instanceof SetFrame.Extent.FromHere f && stretch.contains(f.atUs()))
            .sorted(Comparator.comparingLong(s -> ((SetFrame.Extent.FromHere) s.extent()).atUs()))
            .toList();
    for (SetFrame next : here) {
      long at = ((SetFrame.Extent.FromHere) next.extent()).atUs();
      if (now != null && at > from) {
        holdings.add(new Holding(new Span(from, at), now));
      }
      now = next;
      from = at;
    }
    if (now != null) {
      holdings.add(new Holding(new Span(from, stretch.endUs()), now));
    }
    return now;
  }

  private List<ShownTurn> shown(
      Span part, Span shot, Layout layout, List<Holding> holdings, KeptIndex kept) {
    List<ShownTurn> shown = laid(part, shot, layout, kept);
    for (Holding holding : holdings) {
      shown = ShownTurn.with(shown, holding.span(), turn -> set(turn, shot, holding, kept));
    }
    return shown;
  }

  private List<ShownTurn> set(ShownTurn turn, Span shot, Holding holding, KeptIndex kept) {
    SetFrame set = holding.set();
    if (set.extent() instanceof SetFrame.Extent.Speaking s
        && known.now(s.person()) != turn.person()) {
      return List.of(turn);
    }
    if (set.shown() instanceof SetFrame.Shown.Laid other) {
      return laid(turn.span(), shot, other.layout(), kept).stream()
          .map(t -> new ShownTurn(t.span(), t.shown(), t.person(), t.span(), set.id()))
          .toList();
    }
    return List.of(
        new ShownTurn(turn.span(), set.shown(), turn.person(), holding.span(), set.id()));
  }

  private List<ShownTurn> laid(Span part, Span shot, Layout layout, KeptIndex kept) {
    if (layout instanceof Layout.Speaker) {
      return speakers(part, shot, kept);
    }
    if (layout instanceof Layout.Conversation conversation) {
      return conversation(part, shot, conversation, kept);
    }
    if (layout instanceof Layout.One one) {
      int asked = known.now(one.person());
      int person = isSeen(asked, shot) ? asked : turns.mostSeen(shot);
      return List.of(ShownTurn.of(part, layout, person));
    }
    int person = layout instanceof Layout.Together both ? known.now(both.people().get(0)) : -1;
    return List.of(ShownTurn.of(part, layout, person));
  }

  private List<ShownTurn> speakers(Span part, Span shot, KeptIndex kept) {
    return turns.of(part, shot, kept).stream()
        .map(t -> ShownTurn.of(t.span(), new Layout.One(t.person()), t.person()))
        .toList();
  }

  private List<ShownTurn> conversation(
      Span part, Span shot, Layout.Conversation asked, KeptIndex kept) {
    List<ShownTurn> shown = speakers(part, shot, kept);
    for (SpeakerTurns.Crossing c : turns.crossings(part, shot, kept)) {
      Layout both = new Layout.Together(List.of(c.one(), c.other()), asked.arrangement());
      shown =
          ShownTurn.with(shown, c.span(), t -> List.of(ShownTurn.of(t.span(), both, t.person())));
    }
    return shown;
  }

  private boolean isSeen(int person, Span shot) {
    return person >= 0 && person < people.size() && !people.get(person).seenIn(shot).isEmpty();
  }

  private PlannedFrame frame(ShownTurn turn, Span shot, Manner manner, Shape shape) {
    double ratio = shape.ratio();
    if (turn.shown() instanceof SetFrame.Shown.Still still) {
      Window window = placed(still.window(), ratio);
      return one(turn, new HeldWindow(turn.span(), window, seenIn(window, turn)));
    }
    if (turn.shown() instanceof SetFrame.Shown.Travel travel) {
      Window to = placed(travel.to(), ratio);
      return one(
          turn,
          new TravellingWindow(
              turn.span(),
              seenIn(to, turn),
              placed(travel.from(), ratio),
              to,
              travel.curve(),
              turn.way()));
    }
    Layout layout = ((SetFrame.Shown.Laid) turn.shown()).layout();
    if (layout instanceof Layout.Together together) {
      return together(turn, together, shot, manner, shape);
    }
    return layout instanceof Layout.Whole whole
        ? whole(turn, whole.ground(), shape)
        : one(turn, window(turn.person(), turn.span(), shot, manner, ratio, false));
  }

  /** Whoever speaks, where their face is in a window; else nobody. */
  private int seenIn(Window window, ShownTurn turn) {
    if (turn.person() < 0) {
      return -1;
    }
    Face face =
        picture.inGrid(
            people.get(turn.person()).typicalFace(turn.span().startUs(), turn.span().endUs()));
    double x = face.middleX() - window.x();
    double y = face.eyesY() - window.y();
    boolean inside = x >= 0 && y >= 0 && x <= window.width() && y <= window.height();
    return inside ? turn.person() : -1;
  }

  private Window placed(PlacedWindow window, double ratio) {
    return window.in(grid, ratio);
  }

  private static PlannedFrame one(ShownTurn turn, PlannedWindow window) {
    return new PlannedFrame(
        turn.span(),
        List.of(new PlannedFrame.Pane(Place.WHOLE, window)),
        Ground.DARK,
        turn.setBy());
  }

  private PlannedFrame whole(ShownTurn turn, Ground ground, Shape shape) {
    double fits = picture.width() / (double) picture.height() / shape.ratio();
    double wide = Math.min(1, fits);
    double high = Math.min(1, 1 / fits);
    Place place = new Place((1 - wide) / 2, (1 - high) / 2, wide, high);
    Window all = new Window(picture.x(), picture.y(), picture.width(), picture.height());
    return new PlannedFrame(
        turn.span(),
        List.of(new PlannedFrame.Pane(place, new HeldWindow(turn.span(), all, -1))),
        ground,
        turn.setBy());
  }

  /** Those who are seen in the shot; where it is one of them only, they have the canvas. */
  private PlannedFrame together(
      ShownTurn turn, Layout.Together asked, Span shot, Manner manner, Shape shape) {
    List<Integer> seen =
        asked.people().stream().map(known::now).distinct().filter(p -> isSeen(p, shot)).toList();
    if (seen.size() < 2) {
      int person = seen.isEmpty() ? turns.mostSeen(shot) : seen.get(0);
      return one(turn, window(person, turn.span(), shot, manner, shape.ratio(), false));
    }
    List<Place> places = asked.arrangement().places(seen.size(), shape, manner.divider());
    List<PlannedFrame.Pane> panes = new ArrayList<>();
    for (int p = 0; p < seen.size(); p++) {
      double ratio = places.get(p).ratioOn(shape);
      boolean alone = asked.arrangement() != Arrangement.INSET || p > 0;
      panes.add(
          new PlannedFrame.Pane(
              places.get(p), window(seen.get(p), turn.span(), shot, manner, ratio, alone)));
    }
    return new PlannedFrame(turn.span(), panes, Ground.DARK, turn.setBy());
  }

  /** The window on one person by themselves, where they are in one shot all the while. */
  Optional<PlannedWindow> alone(int person, Span span, Manner manner, double ratio) {
    Span shot = shots.around(span.startUs());
    return shot.endUs() >= span.endUs() && isSeen(person, shot)
        ? Optional.of(window(person, span, shot, manner, ratio, true))
        : Optional.empty();
  }

  /**
   * The window on one person, or the middle of the picture.
   *
   * @param alone whether it shows this person and as little as can be of others
   */
  private PlannedWindow window(
      int person, Span span, Span shot, Manner manner, double ratio, boolean alone) {
    double height = windowHeight(person, shot, manner.tightness(), ratio, alone);
    if (person >= 0) {
      return followed
          .computeIfAbsent(
              new Following(person, shot, ratio, height, manner.liveliness()), this::follow)
          .over(span);
    }
    double width = height * ratio;
    double x = clamp(picture.width() / 2.0 - width / 2, picture.width() - width);
    double y = clamp(picture.height() / 3.0 - height / 3, picture.height() - height);
    return new HeldWindow(span, new Window(picture.x() + x, picture.y() + y, width, height), -1);
  }

  private FollowedPerson follow(Following f) {
    return new FollowedPerson(
        people.get(f.person()).in(f.shot()),
        f.person(),
        picture,
        f.height() * f.ratio(),
        f.height(),
        f.liveliness().costs());
  }

  private double windowHeight(
      int person, Span shot, Tightness tightness, double ratio, boolean alone) {
    double full = Math.min(picture.height(), picture.width() / ratio);
    Tightness near = alone && tightness == Tightness.ALL ? Tightness.TO_THE_WAIST : tightness;
    if (person < 0 || near == Tightness.ALL) {
      return asMuchAsThereIs(full);
    }
    Face face = people.get(person).typicalFace(shot.startUs(), shot.endUs());
    double high = face.height() * picture.height();
    double wanted = near.faces() * high;
    if (alone) {
      // No wider than the person can be in its middle, as long as the shoulders are seen.
      double room = 2 * Math.min(face.middleX(), 1 - face.middleX()) * picture.width() / ratio;
      wanted = Math.min(wanted, Math.max(room, Tightness.HEAD_AND_SHOULDERS.faces() * high));
    }
    return Math.max(NEAREST * full, Math.min(full, wanted));
  }

  /** Where the eyes of all lie low, a little less, so that they come near the upper third. */
  private double asMuchAsThereIs(double full) {
    return belowEyes == 0 ? full : Math.max(TIGHTEST * full, Math.min(full, 1.5 * belowEyes));
  }

  private static double clamp(double value, double most) {
    return Math.max(0, Math.min(most, value));
  }
}
